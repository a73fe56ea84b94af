<?php

declare(strict_types=1);

namespace Yposta\Core\NetChange;

use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Demand\DemandCollector;
use Yposta\Core\Network\JobHeading;
use Yposta\Core\Network\JobLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\RowDifference;
use Yposta\Core\Network\Stock;

/** What two networks differ in, as far as a plan depends on it. */
final readonly class NetworkDifference
{
    /**
     * @param  bool  $structural  whether master data differ: items, planning data, structures, suppliers, calendars
     * @param  list<string>  $orders  codes of open orders that differ, themselves or in their components
     * @param  list<string>  $stock  points whose stock differs, by {@see Network::key()}
     * @param  list<string>  $demand  points whose sales lines, lines of jobs or forecasts differ, by {@see Network::key()}
     * @param  list<string>  $lines  names of the sales lines that are new, see {@see DemandCollector::placeName()}
     * @param  list<string>  $jobLines  names of the lines of jobs that are new, by the same
     * @param  list<string>  $held  references of the demands whose fixed allocations differ
     */
    private function __construct(
        public bool $structural,
        public array $orders = [],
        public array $stock = [],
        public array $demand = [],
        public array $lines = [],
        public array $jobLines = [],
        public array $held = [],
    ) {
    }

    public static function between(Network $before, Network $after): self
    {
        if (self::masterDataDiffer($before, $after)) {
            return new self(true);
        }
        $orders = RowDifference::of($before->orders, $after->orders, fn (OpenOrder $order) => $order->code);
        foreach (RowDifference::of(
            $before->components,
            $after->components,
            fn (OrderComponent $row) => "{$row->order}\x1f{$row->line}",
        ) as [$old, $new]) {
            $orders[($new ?? $old)->order ?? ''] = [null, null];
        }
        $stock = RowDifference::of($before->stock, $after->stock, fn (Stock $stock) => Network::key($stock->item, $stock->site));
        $sales = RowDifference::of($before->sales, $after->sales, DemandCollector::placeName(...));
        $demand = $lines = [];
        foreach ([
            ...$sales,
            ...RowDifference::of(
                $before->forecasts,
                $after->forecasts,
                fn ($row) => "{$row->forecast}\x1f{$row->item}\x1f{$row->site}\x1f{$row->start}",
            ),
        ] as $pair) {
            foreach ($pair as $row) {
                $row === null || $demand[Network::key($row->item, $row->site)] = true;
            }
        }
        foreach ($sales as $name => [$old, $new]) {
            $old === null && $new !== null && $lines[] = (string) $name;
        }
        $ofJobs = RowDifference::of($before->jobLines, $after->jobLines, DemandCollector::placeName(...));
        $jobLines = [];
        foreach ($ofJobs as $name => [$old, $new]) {
            $old === null && $new !== null && $jobLines[] = (string) $name;
        }
        foreach ([...array_merge(...array_values($ofJobs)), ...self::ofOtherJobs($before, $after)] as $row) {
            $item = $row?->wanted();
            $row === null || $item === null || $demand[Network::key($item, $row->site)] = true;
        }

        return new self(
            structural: false, orders: array_map(strval(...), array_keys($orders)), stock: array_keys($stock), demand: array_keys($demand),
            lines: $lines, jobLines: $jobLines, held: self::held($before, $after),
        );
    }

    /** @return list<JobLine> of jobs whose own data differ */
    private static function ofOtherJobs(Network $before, Network $after): array
    {
        $other = RowDifference::of($before->jobs, $after->jobs, fn (JobHeading $job) => $job->code);

        return $other === [] ? [] : array_values(array_filter($after->jobLines, fn (JobLine $line) => isset($other[$line->job])));
    }

    private static function masterDataDiffer(Network $before, Network $after): bool
    {
        foreach ([
            'sites', 'items', 'planning', 'bom', 'suppliers', 'supplierItems', 'workCentres', 'shifts', 'operations',
        ] as $part) {
            if ($before->{$part} !== $after->{$part} && $before->{$part} != $after->{$part}) {
                return true;
            }
        }
        $rules = fn (Calendar $calendar) => [$calendar->pattern(), $calendar->exceptions()];

        return $before->calendars !== $after->calendars && array_map($rules, $before->calendars) != array_map($rules, $after->calendars);
    }

    /** @return list<string> */
    private static function held(Network $before, Network $after): array
    {
        if ($before->allocations === $after->allocations) {
            return [];
        }
        $byDemand = [[], []];
        foreach ([$before, $after] as $side => $network) {
            foreach ($network->allocations as $allocation) {
                $byDemand[$side][$allocation->demand][] = [$allocation->supply, $allocation->qty];
            }
        }
        $held = [];
        foreach ($byDemand[0] + $byDemand[1] as $demand => $_) {
            if (($byDemand[0][$demand] ?? null) !== ($byDemand[1][$demand] ?? null)) {
                $held[] = (string) $demand;
            }
        }

        return $held;
    }
}
