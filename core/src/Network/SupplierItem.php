<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * What a supplier offers for an item. Quantities in millionths, the lead time in working days; null leaves the planning point's own value, an explicit 0 means none.
 */
final readonly class SupplierItem
{
    use Changeable;

    public function __construct(
        public string $supplier,
        public string $item,
        public ?int $leadDays,
        public ?int $minQty,
        public ?int $multiple,
        public ?int $price,
        public string $supplierCode,
        public int $rank,
    ) {
    }
}
