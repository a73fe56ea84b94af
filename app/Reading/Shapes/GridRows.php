<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Some rows of the plan grid, and the run that they are of. */
final readonly class GridRows
{
    /**
     * @param  list<GridRow>  $rows
     */
    public function __construct(
        public array $rows,
        public int $run,
    ) {
    }
}
