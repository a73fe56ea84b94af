<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\HeldOrder;
use App\Reading\Shapes\HeldRow;
use App\Reading\Shapes\HoldStatus;
use App\Reading\Shapes\SavedView;

/** What supply is held for whom. `matching` are those that fit the filter, of which the first are sent; the others count all of the site. */
final readonly class ReservationsPage extends Page
{
    /**
     * @param  array{view: 'held'|'orders', status: value-of<HoldStatus>|'', q: string, there: string}  $filter
     * @param  list<HeldOrder>  $orders
     * @param  list<HeldRow>  $held
     * @param  list<SavedView>  $views
     */
    public function __construct(
        public array $filter,
        public array $orders,
        public array $held,
        public int $matching,
        public int $allOrders,
        public int $allHolds,
        public array $views,
    ) {
    }
}
