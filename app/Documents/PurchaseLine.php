<?php

declare(strict_types=1);

namespace App\Documents;

/** A line of a purchase order on paper. Quantities and prices in millionths. */
final readonly class PurchaseLine
{
    /**
     * @param  string  $theirs  the supplier's own code of the item; empty where none is known
     * @param  int|null  $price  of one unit
     * @param  int|null  $value  of the line, rounded to cents
     * @param  string  $due  ISO date
     */
    public function __construct(
        public int $number,
        public string $item,
        public string $theirs,
        public string $name,
        public int $qty,
        public string $unit,
        public int $decimals,
        public ?int $price,
        public ?int $value,
        public string $due,
    ) {
    }
}
