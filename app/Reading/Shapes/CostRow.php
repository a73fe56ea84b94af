<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What an item costs in material, and what is left of its price; in the currency. */
final readonly class CostRow
{
    /**
     * @param  bool  $isRolled  whether its cost is that of its components
     * @param  string  $kept  what its master data say
     * @param  string|null  $price  for which it is sold; null where it has none
     * @param  string|null  $margin  of one
     * @param  int|null  $percent  the margin in tenths of a percent of the price
     * @param  string|null  $before  what it costs without the price that is tried; null where that changes nothing
     */
    public function __construct(
        public string $item,
        public string $name,
        public string $unit,
        public bool $isRolled,
        public string $cost,
        public string $kept,
        public ?string $price,
        public ?string $margin,
        public ?int $percent,
        public ?string $before,
        public ?string $marginBefore,
    ) {
    }
}
