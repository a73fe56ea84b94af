<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;

/**
 * Quantity on hand, in millionths.
 */
#[BundleFile('stock.csv', 'stock', ['item', 'site'])]
final readonly class Stock
{
    use Row;

    #[Column(new RowOf(Item::class))]
    public string $item;

    #[Column(new RowOf(Site::class))]
    public string $site;

    #[Column(new Decimal('item'))]
    public int $qty;
}
