<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** The needs of a window. Counts are by state, components and orders those with a need that is not covered; ISO date. */
final readonly class ShortageList
{
    /**
     * @param  list<ShortageRow>  $rows
     * @param  array<string, int>  $counts
     */
    public function __construct(
        public array $rows,
        public array $counts,
        public int $components,
        public int $orders,
        public string $until,
    ) {
    }
}
