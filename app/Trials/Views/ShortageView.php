<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Shapes\ShortageList;
use App\Reading\Shapes\ShortageRow;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Shortage\Need;
use Yposta\Core\Shortage\NeedState;
use Yposta\Core\Shortage\Shortages;
use Yposta\Core\Trial\Trial;

/** The needs of a window as rows. Those that are covered are only counted. */
final readonly class ShortageView
{
    /** Rows of a list; what is beyond is counted. */
    public const MOST = 600;

    /**
     * @param  int  $days  calendar days from the plan date
     */
    public static function of(Trial $trial, int $days, bool $countUnsent, string $site, bool $covered): ShortageList
    {
        return $trial->with([], function (Plan $plan) use ($trial, $days, $countUnsent, $site, $covered): ShortageList {
            $presenter = new TrialPresenter($trial->network(), $plan->options->planDate);
            $until = $plan->options->planDate + $days;
            $accepted = DB::table('accepted_shortages')->pluck('reason', 'identity')->all();
            $counts = array_fill_keys(array_map(fn (NeedState $state) => $state->value, NeedState::cases()), 0);
            $rows = $items = $orders = [];
            $shortages = new Shortages($plan, $countUnsent);
            foreach ($shortages->until($until) as $need) {
                if ($site !== '' && $need->point->site->code !== $site) {
                    continue;
                }
                $counts[$need->state->value]++;
                if ($need->state !== NeedState::Covered) {
                    $items[$need->point->item->code] = true;
                    $need->demand->for === null || $orders[spl_object_id($need->demand->for)] = true;
                }
                if (($covered || $need->state !== NeedState::Covered) && count($rows) < self::MOST) {
                    $rows[] = self::row($presenter, $plan, $need, $shortages->ends($need), $accepted[$need->identity] ?? null);
                }
            }

            return new ShortageList($rows, $counts, count($items), count($orders), $presenter->dates->iso($until));
        });
    }

    /** @param  list<Demand>  $ends  whom it is for */
    private static function row(TrialPresenter $presenter, Plan $plan, Need $need, array $ends, ?string $accepted): ShortageRow
    {
        $item = $need->point->item;
        $demand = $need->demand;

        return new ShortageRow(
            identity: $need->identity,
            state: $need->state,
            item: $item->code,
            name: $item->name,
            site: $need->point->site->code,
            unit: $item->unit,
            qty: Quantity::format($demand->qty),
            short: Quantity::format($need->short),
            consumer: $presenter->consumer($plan, $demand),
            consumerDue: $presenter->dates->isoOrNull($demand->for?->due),
            date: $presenter->dates->iso((int) $demand->date),
            orderBy: $presenter->dates->isoOrNull($need->orderBy),
            daysPast: $need->orderBy === null ? 0 : max(0, $plan->options->planDate - $need->orderBy),
            expected: $presenter->dates->isoOrNull($demand->expected),
            lateDays: $demand->lateDays(),
            strip: $presenter->strip($need->cover, $item->unit),
            hits: self::hits($ends),
            lines: self::lines($ends),
            served: self::served($presenter, $need),
            reference: $demand->reference(),
            subject: self::subject($demand),
            accepted: $accepted,
        );
    }

    /**
     * Customers first, each once.
     *
     * @param  list<Demand>  $ends
     * @return list<string>
     */
    private static function hits(array $ends): array
    {
        $names = [];
        foreach ($ends as $end) {
            $end->kind === DemandKind::Sales && $names[$end->customer] = true;
        }
        if ($names === []) {
            foreach ($ends as $end) {
                $names[(string) trans($end->kind === DemandKind::Forecast ? 'forecast' : 'stock')] = true;
            }
        }

        return array_map(strval(...), array_keys($names));
    }

    /**
     * The sales lines that it is for, or what else.
     *
     * @param  list<Demand>  $ends
     * @return list<string>
     */
    private static function lines(array $ends): array
    {
        $names = [];
        foreach ($ends as $end) {
            $names[match ($end->kind) {
                DemandKind::Sales => "{$end->name}/{$end->line} {$end->customer}",
                DemandKind::Forecast => (string) trans('Forecast :name', ['name' => $end->name]),
                default => (string) trans('Safety stock'),
            }] = true;
        }

        return array_map(strval(...), array_keys($names));
    }

    /** The reference of the order or sales line whose need it is; what is only proposed or drafted has none in the live plan. */
    private static function subject(Demand $demand): ?string
    {
        if ($demand->for === null) {
            return $demand->kind === DemandKind::Sales ? $demand->reference() : null;
        }

        return $demand->for->isProposal() || NewOrderCode::is($demand->for->name) ? null : $demand->for->reference();
    }

    /** "10 pcs from stock; P-3308 from Fennick Circuits brings 13 pcs on Tue 10 Mar". */
    private static function served(TrialPresenter $presenter, Need $need): string
    {
        $said = [];
        foreach ($need->pegs as $peg) {
            $qty = $presenter->quantity($peg->qty, $need->point->item->code);
            $said[] = $peg->supply->kind->value === 'stock'
                ? (string) trans(':qty from stock', ['qty' => $qty])
                : (string) trans(
                    ':supply brings :qty on :day',
                    ['supply' => $presenter->supply($peg->supply), 'qty' => $qty, 'day' => $presenter->day($peg->supply->available)],
                );
        }
        $need->demand->uncovered > 0
            && $said[] = (string) trans(
                ':qty covered by nothing',
                ['qty' => $presenter->quantity($need->demand->uncovered, $need->point->item->code)],
            );

        return implode('; ', $said);
    }
}
