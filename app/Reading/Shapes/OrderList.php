<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Orders from a place of their list on, and how many there are, and are overdue, in all. */
final readonly class OrderList
{
    /**
     * @param  list<OrderRow>  $rows
     */
    public function __construct(
        public array $rows,
        public int $total,
        public int $late,
    ) {
    }
}
