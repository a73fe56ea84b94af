<?php

declare(strict_types=1);

namespace Yposta\Core\Run;

/** Where a schedule has an operation of an order or a proposal. Times are minutes from day 0. */
final readonly class ShopPlace
{
    /**
     * @param  list<int>  $units  numbers of those that it holds
     * @param  int  $ready  from when on it could have begun: what is before it is done, and its material is there
     * @param  int  $start  its first minute
     * @param  int  $end  the minute behind its last
     * @param  int  $setup  millionths of a minute, before efficiency and speed
     * @param  int  $minutes  for which it holds its units while they are on
     * @param  string  $family  by which setups go that depend on what ran before
     */
    public function __construct(
        public Supply $supply,
        public int $op,
        public string $workCentre,
        public array $units,
        public int $ready,
        public int $start,
        public int $end,
        public int $setup,
        public int $minutes,
        public string $family = '',
    ) {
    }
}
