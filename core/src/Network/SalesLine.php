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
use Yposta\Core\Declaration\Text;
use Yposta\Core\Declaration\Whole;
use Yposta\Core\Reference\Reference;

/**
 * A line of a sales order, or of a promise that is held for a customer. Quantities in millionths, dates as day numbers, priority from 1
 * (most urgent) to 9.
 */
#[BundleFile('sales.csv', 'sales_lines', ['order', 'line'])]
final readonly class SalesLine
{
    use Row;

    #[Column(new Code, kept: 'order_code')]
    public string $order;

    #[Column(new Code)]
    public string $line;

    #[Column(new RowOf(Item::class))]
    public string $item;

    #[Column(new RowOf(Site::class))]
    public string $site;

    #[Column(new Decimal('item'))]
    public int $qty;

    #[Column(new Decimal('item'), '0')]
    public int $shipped;

    #[Column(new DayColumn)]
    public int $due;

    #[Column(new Text, '')]
    public string $customer;

    #[Column(new Whole(1, 9), '5')]
    public int $priority;

    /** The last day of a promise that is held but not accepted; null for a line that stands. */
    #[Column(new DayColumn, '')]
    public ?int $heldUntil;

    /** The day on which it could have been promised, where it was accepted for another. */
    #[Column(new DayColumn, '')]
    public ?int $answered;

    /** What is still to be delivered, in millionths. */
    public function open(): int
    {
        return max(0, $this->qty - $this->shipped);
    }

    /** Whether it is demand on a day: what was held and not accepted lapses by itself. */
    public function counts(int $planDate): bool
    {
        return $this->heldUntil === null || $this->heldUntil >= $planDate;
    }

    public function reference(): Reference
    {
        return Reference::sales($this->order, $this->line);
    }
}
