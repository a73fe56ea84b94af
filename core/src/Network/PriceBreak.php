<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;

/** What one costs of a supplier from a quantity of one order line on, see {@see PurchasePrices}. Quantity and price in millionths. */
#[BundleFile('price_breaks.csv', 'price_breaks', ['supplier', 'item', 'fromQty'])]
final readonly class PriceBreak
{
    use Row;

    #[Column(new RowOf(Supplier::class))]
    public string $supplier;

    #[Column(new RowOf(Item::class))]
    public string $item;

    #[Column(new Decimal('item'))]
    public int $fromQty;

    #[Column(new Decimal)]
    public int $price;
}
