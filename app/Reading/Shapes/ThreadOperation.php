<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** An operation of an order or proposal where the shop has it; instants as `YYYY-MM-DD HH:MM`. */
final readonly class ThreadOperation
{
    /**
     * @param  string  $units  numbers of those it holds
     * @param  int  $waited  minutes for which it could have begun and did not
     */
    public function __construct(
        public int $op,
        public string $centre,
        public string $units,
        public string $start,
        public string $end,
        public int $waited,
    ) {
    }
}
