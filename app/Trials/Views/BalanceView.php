<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\GridFigure;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\Network;
use Yposta\Core\Plan\Buckets;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;

/** Balances of points by period, or another figure of the grid, as far as a draft makes other ones of them. */
final readonly class BalanceView
{
    /** How many periods are looked at. */
    private const MOST_PERIODS = 60;

    public function __construct(private BucketSize $size, private bool $asExpected, private GridFigure $figure)
    {
    }

    /**
     * @param  list<string>  $points  by {@see Network::key()}
     * @return array<string, array<string, int>> balances in millionths by point and first day of the period
     */
    public function of(Plan $plan, array $points, TrialPresenter $presenter): array
    {
        $buckets = new Buckets($this->size, $plan->options->planDate, $plan->options->horizonEnd);
        $balances = [];
        foreach ($points as $key) {
            $index = $plan->structure->indexes[$key] ?? null;
            $rows = $index === null
                ? []
                : array_slice($buckets->of($plan->supplies[$index] ?? [], $plan->demands[$index] ?? []), 0, self::MOST_PERIODS);
            foreach ($rows as $row) {
                $balances[$key][$presenter->dates->iso($row->start)] = $this->figure->of($row, $this->asExpected);
            }
        }

        return $balances;
    }

    /**
     * What differs, as decimals.
     *
     * @param  array<string, array<string, int>>  $before
     * @param  array<string, array<string, int>>  $after
     * @return array<string, array<string, string>>
     */
    public static function changed(array $before, array $after): array
    {
        $changed = [];
        foreach ($after as $key => $balances) {
            foreach ($balances as $start => $balance) {
                if ($balance !== ($before[$key][$start] ?? null)) {
                    $changed[$key][$start] = Quantity::format($balance);
                }
            }
        }

        return $changed;
    }
}
