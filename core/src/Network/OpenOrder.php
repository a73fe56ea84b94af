<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Checked;
use Yposta\Core\Declaration\Choice;
use Yposta\Core\Declaration\Code;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Declaration\Flag;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Whole;
use Yposta\Core\Reference\Reference;

/**
 * An order that exists: firm or released. Quantities in millionths, dates as day numbers; `start` is null when it was left empty
 * and is then reckoned back from the due date by the point's lead time.
 */
#[BundleFile('orders.csv', 'order_lines', ['code'])]
final readonly class OpenOrder implements Checked
{
    use Row;

    #[Column(new Code, name: 'order')]
    public string $code;

    #[Column(new Choice(OrderKind::class))]
    public OrderKind $kind;

    #[Column(new Choice(OrderStatus::class))]
    public OrderStatus $status;

    #[Column(new RowOf(Item::class))]
    public string $item;

    #[Column(new RowOf(Site::class))]
    public string $site;

    #[Column(new RowOf(Site::class), '')]
    public ?string $fromSite;

    #[Column(new RowOf(Supplier::class), '')]
    public ?string $supplier;

    #[Column(new Decimal('item'))]
    public int $qty;

    #[Column(new Decimal('item'), '0')]
    public int $received;

    #[Column(new DayColumn, '', note: 'due less the lead time')]
    public ?int $start;

    #[Column(new DayColumn)]
    public int $due;

    #[Column(new Flag, '0')]
    public bool $pinned;

    #[Column(new Whole(1, 9), '5')]
    public int $priority;

    /** The first day on which its work may begin; the schedule keeps it, the plan of material does not know it. */
    #[Column(new DayColumn, '')]
    public ?int $notBefore;

    /** The day on which its work should end, where it is another than the due date. */
    #[Column(new DayColumn, '')]
    public ?int $finishBy;

    /** Whether the schedule leaves it out. */
    #[Column(new Flag, '0')]
    public bool $hold;

    /** What is still to come, in millionths. */
    public function open(): int
    {
        return max(0, $this->qty - $this->received);
    }

    public function reference(): Reference
    {
        return Reference::order($this->code);
    }

    public function faults(): iterable
    {
        if (str_starts_with($this->code, Reference::proposalAsOrder(''))) {
            yield Fault::of('code_of_a_proposal', ['code' => $this->code], 'code');
        }
        if ($this->kind === OrderKind::Transfer && $this->fromSite === null) {
            yield Fault::of('transfer_from_nowhere', ['item' => $this->item, 'site' => $this->site], 'fromSite');
        } elseif ($this->kind === OrderKind::Transfer && $this->fromSite === $this->site) {
            yield Fault::of('transfer_to_itself', ['item' => $this->item, 'site' => $this->site], 'fromSite');
        }
        if ($this->start !== null && $this->start > $this->due) {
            yield Fault::mild('start_after_due', [], 'start');
        }
    }
}
