<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Options;
use Yposta\Core\Structure\Structure;

/** The result of a run. */
final readonly class Plan
{
    /**
     * @param  array<int, list<Supply>>  $supplies  by point: stock, open orders, proposals
     * @param  array<int, list<Demand>>  $demands  by point, safety stock last
     * @param  list<Supply>  $proposals  in the order in which they were made, which is that of their numbers
     * @param  list<Peg>  $pegs
     * @param  list<Message>  $messages
     * @param  array<int, int>  $shortFrom  by point, the first day in the horizon on which projected stock is below zero
     * @param  array{net: float, projection: float}  $seconds  how long the stages took
     */
    public function __construct(
        public Options $options,
        public Structure $structure,
        public array $supplies,
        public array $demands,
        public array $proposals,
        public array $pegs,
        public array $messages,
        public array $shortFrom,
        public array $seconds,
    ) {
    }
}
