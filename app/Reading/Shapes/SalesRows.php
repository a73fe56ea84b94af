<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Sales lines from a place of their list on, and how many there are, and are late, in all. */
final readonly class SalesRows
{
    /**
     * @param  list<SalesRow>  $rows
     */
    public function __construct(
        public array $rows,
        public int $total,
        public int $late,
    ) {
    }
}
