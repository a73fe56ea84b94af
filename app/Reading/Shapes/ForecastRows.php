<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Items of a forecast from a place of their list on, and how many there are in all. */
final readonly class ForecastRows
{
    /**
     * @param  list<ForecastRow>  $rows
     */
    public function __construct(
        public array $rows,
        public int $total,
    ) {
    }
}
