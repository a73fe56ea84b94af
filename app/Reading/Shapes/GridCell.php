<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** One bucket of the plan grid: the figure asked for. `mark` is of a balance: calm, look, dip (short on a day in between) or broken. */
final readonly class GridCell
{
    public function __construct(
        public string $start,
        public string $figure,
        public BalanceMark $mark,
        public bool $proposed,
        public bool $ordered,
    ) {
    }
}
