<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/**
 * What is held for whom: orders with their needs, or each hold. `matching` are those that the filter leaves, of which no more than a list
 * can show are sent; `orders` and `holds` count all of the site.
 */
final readonly class ReservationList
{
    /**
     * @param  list<HeldOrder>  $rows
     * @param  list<HeldRow>  $held
     */
    public function __construct(
        public array $rows,
        public array $held,
        public int $matching,
        public int $orders,
        public int $holds,
    ) {
    }
}
