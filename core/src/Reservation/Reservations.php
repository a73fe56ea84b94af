<?php

declare(strict_types=1);

namespace Yposta\Core\Reservation;

use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Study\HoldSupply;

/** What is held for whom: fixed allocations beside what the plan would give each open order and sales line. */
final readonly class Reservations
{
    /** Kinds of demand that something is held for. */
    private const HELD = [DemandKind::Sales, DemandKind::Job, DemandKind::Part, DemandKind::Out];

    private PegIndex $pegs;

    public function __construct(private Plan $plan)
    {
        $this->pegs = new PegIndex($plan);
    }

    /** @return list<OrderHoldings> open orders with needs and sales lines, by the first date on which something is needed */
    public function all(): array
    {
        $held = [];
        foreach ($this->plan->network->allocations as $row) {
            $held[$row->demand][$row->supply] = ($held[$row->demand][$row->supply] ?? 0) + $row->qty;
        }
        $needs = $first = [];
        foreach ($this->plan->demands as $demands) {
            foreach ($demands as $demand) {
                if ($demand->isOfProposal() || ! in_array($demand->kind, self::HELD, true)) {
                    continue;
                }
                $subject = $demand->for?->reference() ?? $demand->reference();
                $offered = [];
                foreach ($this->pegs->serving($demand) as $peg) {
                    if ($peg->supply->kind !== SupplyKind::Proposal && $peg->supply->available <= $demand->date) {
                        $offered[$peg->supply->reference()] = $peg->qty;
                    }
                }
                $needs[$subject][] = new HeldNeed($demand, $held[$demand->reference()] ?? [], $offered);
                $first[$subject] = min($first[$subject] ?? PHP_INT_MAX, (int) $demand->date);
            }
        }
        $all = [];
        foreach ($needs as $subject => $list) {
            $all[] = new OrderHoldings((string) $subject, $list);
        }
        usort(
            $all,
            fn (OrderHoldings $a, OrderHoldings $b) => [$first[$a->reference], $a->reference] <=> [$first[$b->reference], $b->reference],
        );

        return $all;
    }

    /**
     * What would hold for an order all that the plan gives it from stock and open orders in time.
     *
     * @return list<HoldSupply>
     */
    public static function toHold(OrderHoldings $order): array
    {
        $changes = [];
        foreach ($order->needs as $need) {
            foreach ($need->offered as $supply => $qty) {
                if (($need->held[$supply] ?? 0) < $qty) {
                    $changes[] = new HoldSupply($need->demand->reference(), (string) $supply, $qty);
                }
            }
        }

        return $changes;
    }
}
