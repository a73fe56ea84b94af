<?php

declare(strict_types=1);

namespace Yposta\Core\Demand;

use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\JobLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Options\Options;

/**
 * Sales lines, and lines of jobs alike, consume the forecast of their item and site (section 4), each by its full quantity: its own bucket,
 * then earlier ones as far as the run allows, latest first, then later ones, earliest first; what is left goes to the next forecast by
 * name.
 */
final readonly class ForecastConsumption
{
    public function __construct(private Options $options)
    {
    }

    /**
     * What the lines leave of each counted forecast.
     *
     * @return list<RemainingForecast> by item and site, forecast, start
     */
    public function remaining(Network $network): array
    {
        $points = [];
        $counted = array_fill_keys($this->options->forecasts, true);
        foreach ($network->forecasts as $bucket) {
            if (isset($counted[$bucket->forecast])) {
                $points[Network::key($bucket->item, $bucket->site)][] = $bucket;
            }
        }
        ksort($points, SORT_STRING);
        $lines = [];
        if ($this->options->consume && in_array('sales', $this->options->demand, true)) {
            foreach ($network->sales as $line) {
                $line->counts($this->options->planDate) && isset($points[Network::key($line->item, $line->site)])
                    && $lines[Network::key($line->item, $line->site)][] = $line;
            }
            foreach ($network->jobLines as $line) {
                $point = $line->wanted() === null ? null : Network::key($line->wanted(), $line->site);
                $point !== null && isset($points[$point]) && $lines[$point][] = $line;
            }
        }
        $remaining = [];
        foreach ($points as $key => $buckets) {
            array_push($remaining, ...$this->consume($buckets, $lines[$key] ?? []));
        }

        return $remaining;
    }

    /**
     * @param  list<ForecastBucket>  $buckets  of one item and site
     * @param  list<SalesLine|JobLine>  $lines  of the same
     * @return list<RemainingForecast>
     */
    private function consume(array $buckets, array $lines): array
    {
        usort($buckets, fn (ForecastBucket $a, ForecastBucket $b) => strcmp($a->forecast, $b->forecast) ?: $a->start <=> $b->start);
        usort(
            $lines,
            fn (SalesLine|JobLine $a, SalesLine|JobLine $b) => $a->due <=> $b->due
                ?: $a instanceof SalesLine <=> $b instanceof SalesLine // jobs come first in the order of references
                ?: DemandCollector::comparePlaces(DemandCollector::placeName($a), DemandCollector::placeName($b)),
        );
        $remaining = array_map(fn (ForecastBucket $bucket) => new RemainingForecast($bucket), $buckets);
        $byForecast = [];
        foreach ($remaining as $left) {
            $byForecast[' '.$left->bucket->forecast][] = $left;
        }
        foreach ($lines as $line) {
            $open = $line->qty;
            foreach ($byForecast as $candidates) {
                foreach ($this->reach($candidates, $line->due) as $left) {
                    $open -= $left->take($open);
                }
            }
        }

        return $remaining;
    }

    /**
     * The buckets of one forecast that a line may consume, in the order in which it does.
     *
     * @param  list<RemainingForecast>  $candidates  by start
     * @return list<RemainingForecast>
     */
    private function reach(array $candidates, int $due): array
    {
        $own = $earlier = $later = [];
        foreach ($candidates as $left) {
            $start = $left->bucket->start;
            $end = $left->bucket->bucket->endOf($start);
            if ($start <= $due && $due <= $end) {
                $own[] = $left;
            } elseif ($end < $due && $due - $end <= $this->options->consumeBackDays) {
                array_unshift($earlier, $left);
            } elseif ($start > $due && $start - $due <= $this->options->consumeForwardDays) {
                $later[] = $left;
            }
        }

        return [...$own, ...$earlier, ...$later];
    }
}
