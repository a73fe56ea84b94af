<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Text;
use Yposta\Core\Declaration\Whole;

/**
 * What a supplier offers for an item. Quantities in millionths, the lead time in working days; null leaves the planning point's own
 * value, an explicit 0 means none.
 */
#[BundleFile('supplier_items.csv', 'supplier_items', ['supplier', 'item'])]
final readonly class SupplierItem
{
    use Row;

    #[Column(new RowOf(Supplier::class))]
    public string $supplier;

    #[Column(new RowOf(Item::class))]
    public string $item;

    #[Column(new Whole(0, Whole::MOST_DAYS), '')]
    public ?int $leadDays;

    #[Column(new Decimal('item'), '')]
    public ?int $minQty;

    #[Column(new Decimal('item'), '')]
    public ?int $multiple;

    #[Column(new Decimal, '')]
    public ?int $price;

    #[Column(new Text, '', 'supplier_code')]
    public string $theirCode;

    #[Column(new Whole, '1')]
    public int $rank;
}
