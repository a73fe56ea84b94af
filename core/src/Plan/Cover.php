<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\SupplyKind;

/**
 * How a demand is covered: from stock, open orders and proposals in time, or not in time. Quantities in millionths.
 *
 * What comes after the need date counts as open, with what comes late of it told apart from what nothing serves.
 */
final readonly class Cover
{
    /** @param  int|null  $complete  day number on which everything that serves it is there; null when something is uncovered */
    private function __construct(
        public int $wanted,
        public int $stock,
        public int $order,
        public int $proposal,
        public int $late,
        public int $nothing,
        public ?int $complete,
        public bool $tooLate,
    ) {
    }

    /** @param  list<Peg>  $pegs  of the demand */
    public static function of(Demand $demand, array $pegs): self
    {
        $sums = [SupplyKind::Stock->value => 0, SupplyKind::Order->value => 0, SupplyKind::Proposal->value => 0];
        $late = 0;
        foreach ($pegs as $peg) {
            if ($demand->date !== null && $peg->supply->available > $demand->date) {
                $late += $peg->qty;
            } else {
                $sums[$peg->supply->kind->value] += $peg->qty;
            }
        }

        return new self(
            wanted: $demand->qty,
            stock: $sums['stock'],
            order: $sums['order'],
            proposal: $sums['proposal'],
            late: $late,
            nothing: $demand->uncovered,
            complete: $demand->uncovered > 0 ? null : $demand->expected,
            tooLate: $demand->lateDays() > 0 || $demand->uncovered > 0,
        );
    }
}
