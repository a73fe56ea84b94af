<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Shapes\LoadFigure;
use App\Reading\Shapes\LoadGroup;
use App\Reading\Shapes\LoadPeriod;
use App\Reading\Shapes\LoadRow;
use App\Reading\Shapes\LoadTable;
use App\Support\Refused;
use App\Trials\LoadFilter;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Plan\EndShares;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Supply;
use Yposta\Core\Scheduling\Load;
use Yposta\Core\Scheduling\LoadCell;
use Yposta\Core\Scheduling\ShopPlan;
use Yposta\Core\Trial\Trial;

/** How full work centres are over some periods, by site and kind. */
final readonly class LoadView
{
    /** Periods that stand beside each other. */
    private const SHOWN = ['day' => 20, 'week' => 12, 'month' => 12];

    private function __construct(private Plan $plan, private LoadFilter $filter)
    {
    }

    public static function table(Trial $trial, LoadFilter $filter): LoadTable
    {
        return $trial->with([], fn (Plan $plan) => (new self($plan, $filter))->read());
    }

    /** @throws Refused when there is no such centre */
    public static function mustHave(Plan $plan, string $centre): void
    {
        isset($plan->network->workCentres[$centre]) || throw Refused::because('capacity.no_centre', ['centre' => $centre], 'centre');
    }

    private function read(): LoadTable
    {
        $options = $this->plan->options;
        $size = BucketSize::from($this->filter->bucket);
        $load = new Load($this->plan, ShopPlan::shop($this->plan), $size, $this->part());
        $first = $this->filter->from === '' ? 0 : $load->placeOf(Day::parse($this->filter->from));
        $number = self::SHOWN[$size->value];
        $all = $load->periods;
        $shown = array_slice($all, $first, $number, true);
        [$groups, $over] = $this->groups($load, array_keys($shown));

        return new LoadTable(
            periods: array_values(array_map(
                fn (array $period) => new LoadPeriod(Day::format($period[0]), Day::format($period[1])), $shown,
            )),
            groups: $groups,
            over: $over,
            earlier: $first === 0 ? null : Day::format($all[max(0, $first - $number)][0]),
            later: isset($all[$first + $number]) ? Day::format($all[$first + $number][0]) : null,
        );
    }

    /**
     * @param  list<int>  $places  of the periods that are shown
     * @return array{list<LoadGroup>, int} and how many centres have more to do than they can
     */
    private function groups(Load $load, array $places): array
    {
        $network = $this->plan->network;
        $byGroup = $all = [];
        $over = 0;
        foreach ($load->cells as $code => $cells) {
            $centre = $network->workCentres[$code];
            if (! in_array($this->filter->site, ['', $centre->site], true)) {
                continue;
            }
            $figures = array_map(fn (int $place) => self::figure([$cells[$place]]), $places);
            $isOver = array_filter($figures, fn (LoadFigure $figure) => $figure->over) !== [];
            $over += $isOver ? 1 : 0;
            $group = "{$centre->site}\x1f{$centre->kind->value}";
            $all[$group][] = $cells;
            if ($isOver || ! $this->filter->over) {
                $byGroup[$group][$centre->code] = $figures;
            }
        }
        ksort($byGroup, SORT_STRING);
        $groups = [];
        foreach ($byGroup as $group => $rows) {
            $centres = array_map(strval(...), array_keys($rows));
            $first = $network->workCentres[$centres[0]];
            $groups[] = new LoadGroup(
                site: $first->site,
                siteName: $network->sites[$first->site]->name,
                kind: $first->kind->value,
                figures: array_map(
                    fn (int $place) => self::figure(array_column($all[$group], $place)), $places,
                ),
                rows: array_map(
                    function (string $code) use ($network, $rows): LoadRow {
                        $centre = $network->workCentres[$code];

                        return new LoadRow($code, $centre->name, $centre->units, $rows[$code]);
                    },
                    $centres,
                ),
            );
        }

        return [$groups, $over];
    }

    /** @param  list<LoadCell>  $cells */
    public static function figure(array $cells): LoadFigure
    {
        $sum = fn (callable $of) => array_sum(array_map($of, $cells));

        return LoadFigure::of(
            (int) $sum(fn (LoadCell $cell) => $cell->capacity), $sum(fn (LoadCell $cell) => $cell->load),
            $sum(fn (LoadCell $cell) => $cell->sales), $sum(fn (LoadCell $cell) => $cell->forecast),
        );
    }

    /** @return (callable(Supply): float)|null how much of an order or proposal is what is looked for */
    private function part(): ?callable
    {
        $text = mb_strtolower($this->filter->q);
        $kind = $this->filter->kind;
        if ($text === '' && $kind === '') {
            return null;
        }
        $ends = new EndShares($this->plan);

        return function (Supply $supply) use ($text, $kind, $ends): float {
            if ($kind !== '' && $supply->isProposal() !== ($kind === 'proposals')) {
                return 0.0;
            }
            $item = $this->plan->structure->points[$supply->point]->item;
            $own = $supply->isProposal() ? '' : $supply->name;
            if ($text === '' || str_contains(mb_strtolower("{$item->code} {$item->name} {$own}"), $text)) {
                return 1.0;
            }
            $share = 0.0;
            foreach ($ends->of($supply) as [$demand, $part]) {
                $share += str_contains(mb_strtolower(self::named($demand)), $text) ? $part : 0.0;
            }

            return min(1.0, $share);
        };
    }

    private static function named(Demand $demand): string
    {
        return $demand->kind->isOrdered() ? "{$demand->name}/{$demand->line} {$demand->customer}" : $demand->name;
    }
}
