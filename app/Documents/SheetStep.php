<?php

declare(strict_types=1);

namespace App\Documents;

/** An operation on an order sheet. */
final readonly class SheetStep
{
    /**
     * @param  int  $setup  minutes in millionths
     * @param  int  $run  minutes in millionths for one piece
     * @param  int  $done  good pieces, millionths
     * @param  string|null  $start  instant as `YYYY-MM-DD HH:MM`; null where it has no place in the shop
     * @param  string|null  $end  instant
     */
    public function __construct(
        public int $op,
        public string $centre,
        public string $name,
        public int $setup,
        public int $run,
        public int $done,
        public ?string $start,
        public ?string $end,
    ) {
    }
}
