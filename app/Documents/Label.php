<?php

declare(strict_types=1);

namespace App\Documents;

/** What sticks on material: what it is, how much, for which order, and where to bring it. */
final readonly class Label
{
    /**
     * @param  int  $qty  millionths
     * @param  string  $order  that it is for; empty for stock
     * @param  string  $place  to bring it to
     */
    public function __construct(
        public string $item,
        public string $name,
        public int $qty,
        public string $unit,
        public string $order,
        public string $place,
    ) {
    }
}
