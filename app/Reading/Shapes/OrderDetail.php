<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Network\OrderKind;

/** An order with its lines. */
final readonly class OrderDetail
{
    /**
     * @param  list<OrderLineRow>  $lines
     */
    public function __construct(
        public string $code,
        public OrderKind $kind,
        public OrderState $status,
        public string $site,
        public string $siteName,
        public ?string $supplier,
        public string $currency,
        public ?string $total,
        public ?string $createdBy,
        public ?string $createdAt,
        public array $lines,
        public ?PurchaseDetail $purchase,
    ) {
    }
}
