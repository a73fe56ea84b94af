<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** One bucket of the plan grid. `mark` is calm, look, dip (short on a day in between) or broken. */
final readonly class GridCell
{
    public function __construct(
        public string $start,
        public string $balance,
        public BalanceMark $mark,
        public bool $proposed,
        public bool $ordered,
    ) {
    }
}
