<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\OrderDetail;

/** An order. */
final readonly class OrderPage extends Page
{
    public function __construct(
        public OrderDetail $order,
    ) {
    }
}
