<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\OrderRow;
use App\Reading\Shapes\OrderState;
use App\Reading\Shapes\SavedView;
use Yposta\Core\Network\OrderKind;

/** The orders. */
final readonly class OrdersPage extends Page
{
    /**
     * @param  list<OrderRow>  $orders
     * @param  array{kind: value-of<OrderKind>|'', status: value-of<OrderState>|'open'|'all'|'request'|'unconfirmed', q: string, said: string, late: string, by: string, sort: string}  $filter
     * @param  list<SavedView>  $views
     */
    public function __construct(
        public array $orders,
        public array $filter,
        public int $total,
        public int $late,
        public array $views,
    ) {
    }
}
