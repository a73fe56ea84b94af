<?php

declare(strict_types=1);

namespace App\Documents;

/** A line of a delivery note. Quantities in millionths. */
final readonly class DeliveryLine
{
    /** @param  int  $left  what of the line is still to come */
    public function __construct(
        public string $line,
        public string $item,
        public string $name,
        public string $unit,
        public int $qty,
        public int $left,
    ) {
    }
}
