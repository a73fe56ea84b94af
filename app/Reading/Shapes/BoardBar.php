<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** An operation where it stands. */
final readonly class BoardBar
{
    /**
     * @param  int  $order  place among the orders
     * @param  int  $centre  place among the centres
     * @param  list<int>  $units  numbers
     * @param  int|null  $ready  minute from which on its material is there; null where it waits for none
     * @param  string  $done  quantity, 0 where nothing is
     * @param  string  $place  how it stands there: hand, kept, loose
     */
    public function __construct(
        public int $order,
        public int $op,
        public int $centre,
        public array $units,
        public int $start,
        public int $end,
        public ?int $ready,
        public string $done,
        public string $place,
    ) {
    }
}
