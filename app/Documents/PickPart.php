<?php

declare(strict_types=1);

namespace App\Documents;

/** A component on a pick list. Quantities in millionths. */
final readonly class PickPart
{
    /**
     * @param  int  $open  what is still to be taken
     * @param  int  $there  what there is in stock
     * @param  int  $held  what of it is held for this order
     */
    public function __construct(
        public string $line,
        public string $item,
        public string $name,
        public string $unit,
        public int $qty,
        public int $issued,
        public int $open,
        public int $there,
        public int $held,
    ) {
    }
}
