<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;

/**
 * Quantity on hand, in millionths. What is `blocked` is there, but nobody may use it, and what is `owed` was taken beyond what the books
 * had: they are wrong by as much until somebody receives or counts. A run looks at neither.
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

    #[Column(new Decimal('item'), '0')]
    public int $blocked;

    #[Column(new Decimal('item'), '0')]
    public int $owed;

    /** What the ledger has booked of what may be used; below zero where more was taken than the books had. */
    public function net(): int
    {
        return $this->qty - $this->owed;
    }
}
