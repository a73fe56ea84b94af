<?php

declare(strict_types=1);

namespace Yposta\Core\Demand;

use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\JobLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Reference\ReferenceOrder;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Places;
use Yposta\Core\Run\Workspace;

/** Independent demand: sales lines, approved lines of jobs, and what they leave of the forecasts (section 4). */
final readonly class DemandCollector
{
    /** Forecast and safety stock are the least urgent. */
    public const LEAST_URGENT = 9;

    public function __construct(private Network $network)
    {
    }

    public function collect(Workspace $work): void
    {
        $lines = $this->network->sales;
        usort($lines, self::inOrder(...));
        $work->sales = new Places(array_map(self::placeName(...), $lines));
        $jobs = $this->network->jobLines;
        usort($jobs, self::inOrder(...));
        $work->jobs = new Places(array_map(self::placeName(...), $jobs));
        $this->add($work, $this->network);
    }

    /** Adds the demands of a network, or of a part of it that holds the sales lines and forecasts of a few points altogether. */
    public function add(Workspace $work, Network $network): void
    {
        if (in_array('sales', $work->options->demand, true)) {
            $this->sales($work, $network->sales);
            $this->jobs($work, $network->jobLines);
        }
        in_array('forecast', $work->options->demand, true) && $this->forecasts($work, $network);
    }

    /** The name under which a line has its place among those of its kind in the order of references. */
    public static function placeName(SalesLine|JobLine $line): string
    {
        return self::ownerOf($line)."\x1f{$line->line}";
    }

    /** The order or job that it is a line of. */
    private static function ownerOf(SalesLine|JobLine $line): string
    {
        return $line instanceof SalesLine ? $line->order : $line->job;
    }

    public static function comparePlaces(string $a, string $b): int
    {
        [$order, $line] = explode("\x1f", $a);
        [$otherOrder, $otherLine] = explode("\x1f", $b);

        return strcmp($order, $otherOrder) ?: ReferenceOrder::lines($line, $otherLine);
    }

    /** @param  list<SalesLine>  $lines */
    private function sales(Workspace $work, array $lines): void
    {
        foreach ($lines as $line) {
            if (! $line->counts($work->options->planDate)) {
                continue;
            }
            $point = $work->structure->points[$work->structure->indexes[Network::key($line->item, $line->site)]];
            $rank = DemandKind::Sales->rank(false, $work->sales->of(self::placeName($line)));
            $work->demand(
                $point, DemandKind::Sales, $line->order, $line->line, $rank, $line->open(), $line->due, $line->priority, null,
                $line->customer,
            );
        }
    }

    /** @param  list<JobLine>  $lines */
    private function jobs(Workspace $work, array $lines): void
    {
        foreach ($lines as $line) {
            $item = $line->wanted();
            if ($item === null) {
                continue;
            }
            $job = $this->network->jobs[$line->job];
            $point = $work->structure->points[$work->structure->indexes[Network::key($item, $line->site)]];
            $rank = DemandKind::Job->rank(false, $work->jobs->of(self::placeName($line)));
            $work->demand(
                $point, DemandKind::Job, $line->job, $line->line, $rank, $line->open(), $line->due, $job->priority, null,
                $job->customer,
            );
        }
    }

    private function forecasts(Workspace $work, Network $network): void
    {
        $names = array_values(array_unique($work->options->forecasts));
        sort($names, SORT_STRING);
        $places = array_flip($names);
        $placement = new ForecastPlacement($work->options);
        foreach ((new ForecastConsumption($work->options))->remaining($network) as $left) {
            $bucket = $left->bucket;
            $point = $work->structure->points[$work->structure->indexes[Network::key($bucket->item, $bucket->site)]];
            foreach ($placement->place($left, $point->calendar, $point->item->step()) as $part) {
                $rank = DemandKind::Forecast->rank(false, ($places[$bucket->forecast] << 24) | $part['key'] + 30_000);
                $work->demand(
                    $point, DemandKind::Forecast, $bucket->forecast, Day::format($part['key']), $rank, $part['qty'],
                    $part['date'], self::LEAST_URGENT,
                );
            }
        }
    }

    private static function inOrder(SalesLine|JobLine $a, SalesLine|JobLine $b): int
    {
        return strcmp(self::ownerOf($a), self::ownerOf($b)) ?: ReferenceOrder::lines($a->line, $b->line);
    }
}
