<?php

declare(strict_types=1);

namespace Yposta\Core\Structure;

use Yposta\Core\Network\Network;
use Yposta\Core\Options\Options;

/** What a run does not plan or count although it is there, since it was narrowed to some sites, items, forecasts or kinds of supply. */
final readonly class LeftOut
{
    /**
     * @param  int  $items  that stand at no point of the run, of so many that are planned at all
     * @param  list<string>  $forecasts
     * @param  list<string>  $sites
     * @param  int  $salesLines  that are open, and of no point of the run
     * @param  list<string>  $supplies  of {@see Options::SUPPLIES}
     */
    private function __construct(
        public int $items,
        public int $ofItems,
        public array $forecasts,
        public array $sites,
        public int $salesLines,
        public array $supplies,
    ) {
    }

    /**
     * @param  callable(): Network  $read  is only called where the run is narrowed to some sites, items or kinds of demand
     * @param  list<string>  $forecasts  that count as a rule
     *
     * @throws LoopFound
     */
    public static function by(Options $options, callable $read, array $forecasts): self
    {
        $narrowed = $options->sites !== null || $options->items !== null || ! in_array('sales', $options->demand, true);
        $network = $narrowed ? $read() : Network::of();
        $missed = in_array('forecast', $options->demand, true) ? array_diff($forecasts, $options->forecasts) : $forecasts;
        $sites = $options->sites === null ? [] : array_diff(array_map(strval(...), array_keys($network->sites)), $options->sites);
        $all = $in = [];
        $lines = 0;
        if ($options->sites !== null || $options->items !== null) {
            $structure = (new StructureBuilder($network, $options))->build();
            foreach ($structure->points as $point) {
                $all[$point->item->code] = true;
                $point->inScope && $in[$point->item->code] = true;
            }
            foreach ($network->sales as $line) {
                $point = $structure->find($line->item, $line->site);
                $line->open() > 0 && $point !== null && ! $point->inScope && $lines++;
            }
        }
        if (! in_array('sales', $options->demand, true)) {
            $lines = count(array_filter($network->sales, fn ($line) => $line->open() > 0));
        }

        return new self(
            items: count($all) - count($in), ofItems: count($all), forecasts: array_values($missed), sites: array_values($sites),
            salesLines: $lines,
            supplies: array_values(array_diff(Options::SUPPLIES, $options->supply)),
        );
    }

    public function isNothing(): bool
    {
        return $this->items === 0 && $this->forecasts === [] && $this->sites === [] && $this->salesLines === 0 && $this->supplies === [];
    }
}
