<?php

declare(strict_types=1);

namespace Yposta\Core\Structure;

use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Capacity\OperationsLead;
use Yposta\Core\Network\Item;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\Site;

/**
 * A planning point, ready to be computed with: an item at a site with its rules resolved.
 *
 * Supplier, lead time and lot modifiers are those that count for its proposals: the supplier item's where it gives one.
 */
final class Point
{
    /** The low-level code: the longest distance from the tops of the structure. */
    public int $level = 0;

    /** The point that a transfer takes from. */
    public ?int $source = null;

    /** Whether the run counts it; a point outside has no demand, supply or proposals. */
    public bool $inScope = true;

    /**
     * @param  int  $index  its place in the structure's list of points
     * @param  Calendar  $calendar  the site's
     * @param  Calendar  $leadCalendar  the supplier's for a bought point that has one with a calendar, else the site's
     * @param  int  $lead  working days of a proposal in the lead calendar, where its operations do not decide them
     * @param  int  $makeLead  working days of the point itself in the site's calendar, for orders that are made or moved here, likewise
     * @param  string|null  $supplier  who a bought proposal goes to
     * @param  int  $minQty  millionths, 0 for none
     * @param  int  $multiple  millionths, 0 for none
     * @param  int  $maxQty  millionths, 0 for none
     * @param  int  $safetyStock  millionths, 0 where the run leaves it out
     * @param  OperationsLead|null  $operations  what decides the lead time where it is made and none is given
     */
    public function __construct(
        public readonly int $index,
        public readonly Item $item,
        public readonly Site $site,
        public readonly Planning $planning,
        public readonly Calendar $calendar,
        public readonly Calendar $leadCalendar,
        public readonly int $lead,
        public readonly int $makeLead,
        public readonly ?string $supplier,
        public readonly int $minQty,
        public readonly int $multiple,
        public readonly int $maxQty,
        public readonly int $safetyStock,
        public readonly ?OperationsLead $operations = null,
    ) {
    }

    /**
     * Working days of a proposal in the lead calendar.
     *
     * @param  int  $qty  millionths
     */
    public function leadFor(int $qty): int
    {
        return $this->operations === null ? $this->lead : $this->operations->days($qty);
    }

    /**
     * Working days of an order that is made or moved here, in the site's calendar.
     *
     * @param  int  $qty  its whole quantity, millionths
     */
    public function makeLeadFor(int $qty): int
    {
        return $this->operations === null ? $this->makeLead : $this->operations->days($qty);
    }

    public function supply(): OrderKind
    {
        return $this->planning->supply;
    }

    /** What the sweep keeps on stock, in millionths: the safety stock, or the minimum of a min-max rule. */
    public function floor(): int
    {
        return $this->planning->lotRule->floor($this->planning, $this->safetyStock);
    }

    public function label(): string
    {
        return "{$this->item->code}@{$this->site->code}";
    }
}
