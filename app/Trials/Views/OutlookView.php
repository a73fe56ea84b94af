<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Planning\Dates;
use App\Reading\ForecastView;
use App\Reading\GridFigure;
use App\Reading\Shapes\ForecastOutlook;
use App\Reading\Shapes\OutlookPeriod;
use App\Support\Refused;
use App\Support\Settings;
use App\Trials\LivePlan;
use Yposta\Core\Demand\ForecastError;
use Yposta\Core\Network\Network;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Trial\Trial;

/** One item of a forecast over time, with the balances that the data of now give. */
final readonly class OutlookView
{
    public function __construct(private LivePlan $plan, private ForecastView $forecast)
    {
    }

    /** @throws Refused when the forecast does not have the item */
    public function of(string $forecast, string $item, string $site): ForecastOutlook
    {
        $row = $this->forecast->rowsOf([[$item, $site]])->rows[0]
            ?? throw Refused::because('forecast.none', ['forecast' => $forecast, 'item' => $item, 'site' => $site], 'none');
        $dates = new Dates;
        $today = $dates->day(Settings::planDate());
        $ordered = $this->ordered($item, $site);
        $trouble = null;
        try {
            $trial = $this->plan->live();
            $balances = $this->balances($trial, $item, $site);
            $isCounted = $trial->with([], fn (Plan $plan) => in_array($forecast, $plan->options->forecasts, true));
        } catch (Refused $refusal) {
            [$balances, $isCounted, $trouble] = [[], false, $refusal->sentence()];
        }
        $periods = $pairs = [];
        foreach ($this->forecast->periods() as $place => $period) {
            $start = $dates->day($period->start);
            $hasPassed = $dates->day($period->end) < $today;
            $wanted = $ordered[$start] ?? 0;
            $figure = Quantity::parse($row->qty[$place]);
            $hasPassed && ($figure > 0 || $wanted > 0) && $pairs[] = [$figure, $wanted];
            $balance = $balances[$period->start] ?? null;
            $periods[] = new OutlookPeriod(
                $period->start, $hasPassed, $row->qty[$place], Quantity::format($wanted), $row->left[$place],
                $balance === null ? null : Quantity::format($balance),
            );
        }
        $error = ForecastError::of($pairs);

        return new ForecastOutlook(
            item: $item, site: $site, name: $row->name, unit: $row->unit, decimals: $row->decimals, periods: $periods,
            mape: $error->mape, bias: $error->bias, passed: $error->periods, isCounted: $isCounted, trouble: $trouble,
        );
    }

    /** @return array<int, int> millionths that sales lines want, by first day of the period */
    private function ordered(string $item, string $site): array
    {
        $size = $this->forecast->size();
        $sums = [];
        foreach ($this->plan->network()->sales as $line) {
            if ([$line->item, $line->site] === [$item, $site]) {
                $start = $size->startOf($line->due);
                $sums[$start] = Quantity::capped(($sums[$start] ?? 0) + $line->qty);
            }
        }

        return $sums;
    }

    /** @return array<string, int> millionths at the end of each period, by its first day */
    private function balances(Trial $trial, string $item, string $site): array
    {
        $view = new BalanceView($this->forecast->size(), true, GridFigure::Balance);
        $key = Network::key($item, $site);
        $presenter = new TrialPresenter($trial->network(), (new Dates)->day(Settings::planDate()));

        return $trial->with([], fn (Plan $plan) => $view->of($plan, [$key], $presenter))[$key] ?? [];
    }
}
