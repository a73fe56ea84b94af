<?php

declare(strict_types=1);

namespace Yposta\Core\Run;

use Yposta\Core\Reference\Reference;

/**
 * A need for an item at a site. Quantities in millionths, dates as day numbers; safety stock has none (null).
 */
final class Demand
{
    /** When all that serves it is there; null when nothing serves it. */
    public ?int $expected = null;

    /** What nothing serves, in millionths. */
    public int $uncovered;

    /** The operation of its order that waits for it; null for the first. */
    public ?int $op = null;

    /** The supply it got from last available one; the first pegged of several. */
    public ?Supply $last = null;

    /**
     * @param  int  $point  place of its point in the structure
     * @param  string  $name  order code, proposal reference, forecast, or ITEM@SITE
     * @param  string  $line  line of the order or structure, bucket start of a forecast, else empty
     * @param  int  $rank  place in the order of references, see {@see DemandKind::rank()}
     * @param  int|null  $date  when it is needed, not before the plan date
     * @param  int|null  $need  when the supply has to be there: the date less the safety days
     * @param  int|null  $originalDate  its date before the plan date took its place
     * @param  Supply|null  $for  the order or proposal that it is an input of
     */
    public function __construct(
        public readonly int $point,
        public readonly DemandKind $kind,
        public string $name,
        public readonly string $line,
        public readonly int $rank,
        public readonly int $qty,
        public readonly ?int $date,
        public readonly ?int $need,
        public readonly int $priority,
        public readonly ?int $originalDate = null,
        public ?Supply $for = null,
        public readonly string $customer = '',
    ) {
        $this->uncovered = $qty;
    }

    /** Takes away what the projection gave it. */
    public function unserve(): void
    {
        $this->expected = $this->last = null;
        $this->uncovered = $this->qty;
    }

    public function reference(): string
    {
        return (string) Reference::of($this->kind->referenceKind(), $this->name, $this->line);
    }

    /** Calendar days by which it will be late; 0 when it is not. */
    public function lateDays(): int
    {
        return $this->expected === null || $this->date === null ? 0 : max(0, $this->expected - $this->date);
    }

    /** Calendar days from the date that was promised to when it will be there, also where that date has passed before the plan date. */
    public function daysPastDue(): int
    {
        $due = $this->originalDate ?? $this->date;

        return $this->expected === null || $due === null ? 0 : max(0, $this->expected - $due);
    }

    public function isOfProposal(): bool
    {
        return $this->for !== null && $this->for->isProposal();
    }
}
