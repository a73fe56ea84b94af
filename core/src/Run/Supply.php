<?php

declare(strict_types=1);

namespace Yposta\Core\Run;

use Yposta\Core\Network\OrderKind;
use Yposta\Core\Reference\Reference;

/**
 * Stock, an open order or a proposal at a point, as the run sees it. Quantities in millionths, dates as day numbers.
 */
final class Supply
{
    /** The date on which the sweep counts it: the due date, the plan date when that has passed, or the date it was brought in to. */
    public int $effective;

    /** The date on which it will really be there. */
    public int $available;

    /** The quantity of the order with what has been received of it, in millionths; of others what they bring. */
    public int $whole;

    public bool $broughtIn = false;

    /** The demand that a proposal of a `per_order` point was made for. */
    public ?Demand $tied = null;

    /** @var list<Demand> what an order or proposal takes: its components, the transfer out at its source */
    public array $inputs = [];

    /** The centre whose units were taken, where that makes it late. */
    public ?string $noCapacityAt = null;

    /** The input that makes it late, when one does. */
    public ?Demand $waitsFor = null;

    /** How a proposal's quantity came about. */
    public ?LotReason $reason = null;

    /**
     * @param  int  $point  place of its point in the structure
     * @param  OrderKind|null  $type  null for stock
     * @param  string  $name  order code, proposal number (which a run gives at the end), or ITEM@SITE for stock
     * @param  int  $rank  place in the order of references, see {@see SupplyKind::rank()}
     * @param  int  $earliest  when a proposal could be there if it were started on the plan date
     */
    public function __construct(
        public readonly int $point,
        public readonly SupplyKind $kind,
        public readonly ?OrderKind $type,
        public string $name,
        public readonly int $rank,
        public readonly int $qty,
        public readonly int $start,
        public readonly int $due,
        public readonly int $earliest,
        public readonly int $priority,
        public readonly bool $pinned = false,
        public readonly bool $released = false,
        public readonly ?string $supplier = null,
        public readonly ?string $fromSite = null,
        public readonly bool $overdue = false,
    ) {
        $this->effective = $due;
        $this->available = $due;
        $this->whole = $qty;
    }

    public function reference(): string
    {
        return (string) Reference::of($this->kind->referenceKind(), $this->name);
    }

    /** Gives a proposal its number; its inputs are called after it. */
    public function call(string $number): void
    {
        if ($this->name !== $number) {
            $this->name = $number;
            foreach ($this->inputs as $input) {
                $input->name = Reference::proposalAsOrder($number);
            }
        }
    }

    /** Steps into the place of an equal proposal and its number: what that one takes is now taken for this one. */
    public function takeOver(self $other): void
    {
        $this->name = $other->name;
        $this->inputs = $other->inputs;
        foreach ($this->inputs as $input) {
            $input->for = $this;
        }
    }

    public function isProposal(): bool
    {
        return $this->kind === SupplyKind::Proposal;
    }
}
