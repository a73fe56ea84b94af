<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Code;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Whole;
use Yposta\Core\Reference\Reference;

/**
 * What an open order still needs. Quantities in millionths; `need` is a day number, null means the order's start.
 */
#[BundleFile('order_components.csv', 'order_components', ['order', 'line'])]
final readonly class OrderComponent
{
    use Row;

    #[Column(new RowOf(OpenOrder::class))]
    public string $order;

    #[Column(new Code)]
    public string $line;

    #[Column(new RowOf(Item::class))]
    public string $item;

    #[Column(new Decimal('item'))]
    public int $qty;

    #[Column(new Decimal('item'), '0')]
    public int $issued;

    #[Column(new DayColumn, '', note: 'the start of the order')]
    public ?int $need;

    /** The operation that waits for it. */
    #[Column(new Whole, '', note: 'the first')]
    public ?int $op;

    /** What is still to be issued, in millionths. */
    public function open(): int
    {
        return max(0, $this->qty - $this->issued);
    }

    public function reference(): Reference
    {
        return Reference::part($this->order, $this->line);
    }
}
