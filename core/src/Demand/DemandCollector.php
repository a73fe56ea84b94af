<?php

declare(strict_types=1);

namespace Yposta\Core\Demand;

use Yposta\Core\Calendar\Day;
use Yposta\Core\Netting\Workspace;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Plan\DemandKind;
use Yposta\Core\Structure\ReferenceOrder;

/** Independent demand: sales lines, and what they leave of the forecasts (section 4). */
final readonly class DemandCollector
{
    /** Forecast and safety stock are the least urgent. */
    public const LEAST_URGENT = 9;

    public function __construct(private Network $network)
    {
    }

    public function collect(Workspace $work): void
    {
        in_array('sales', $work->options->demand, true) && $this->sales($work);
        in_array('forecast', $work->options->demand, true) && $this->forecasts($work);
    }

    private function sales(Workspace $work): void
    {
        $lines = $this->network->sales;
        usort($lines, fn (SalesLine $a, SalesLine $b) => strcmp($a->order, $b->order) ?: ReferenceOrder::lines($a->line, $b->line));
        foreach ($lines as $place => $line) {
            $point = $work->structure->points[$work->structure->indexes[Network::key($line->item, $line->site)]];
            $work->demand($point, DemandKind::Sales, $line->order, $line->line, DemandKind::Sales->rank(false, $place), $line->open(), $line->due, $line->priority, null, $line->customer);
        }
    }

    private function forecasts(Workspace $work): void
    {
        $names = array_values(array_unique($work->options->forecasts));
        sort($names, SORT_STRING);
        $places = array_flip($names);
        $placement = new ForecastPlacement($work->options);
        foreach ((new ForecastConsumption($work->options))->remaining($this->network) as $left) {
            $bucket = $left->bucket;
            $point = $work->structure->points[$work->structure->indexes[Network::key($bucket->item, $bucket->site)]];
            foreach ($placement->place($left, $point->calendar, $point->item->step()) as $part) {
                $rank = DemandKind::Forecast->rank(false, ($places[$bucket->forecast] << 24) | $part['key'] + 30_000);
                $work->demand($point, DemandKind::Forecast, $bucket->forecast, Day::format($part['key']), $rank, $part['qty'], $part['date'], self::LEAST_URGENT);
            }
        }
    }
}
