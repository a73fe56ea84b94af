<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/**
 * Takes the balance that made a proposal necessary apart again: stock, open orders, earlier proposals, demand. Quantities in millionths.
 *
 * `until` is the day at whose end the balance was lowest; null when the parts do not add up to it any more because an open order was
 * brought in later in the sweep. Then only the balance itself is known.
 */
final readonly class LotArithmetic
{
    private function __construct(
        public ?int $until,
        public int $stock,
        public int $orders,
        public int $proposals,
        public int $needed,
        public int $demands,
    ) {
    }

    /**
     * @param  list<Supply>  $supplies  of the point
     * @param  list<Demand>  $demands  of the point
     */
    public static function of(Supply $proposal, array $supplies, array $demands): self
    {
        $reason = $proposal->reason;
        if ($reason === null) {
            return new self(null, 0, 0, 0, 0, 0);
        }
        $demands = array_values(array_filter($demands, fn (Demand $demand) => $demand->need !== null));
        usort($demands, fn (Demand $a, Demand $b) => $a->need <=> $b->need ?: $a->priority <=> $b->priority ?: $a->rank <=> $b->rank);
        $first = (int) $proposal->name - $reason->lot + 1;
        $stock = $proposals = 0;
        $orders = [];
        foreach ($supplies as $supply) {
            match ($supply->kind) {
                SupplyKind::Stock => $stock += $supply->qty,
                SupplyKind::Proposal => $proposals += (int) $supply->name < $first ? $supply->qty : 0,
                SupplyKind::Order => $orders[] = $supply,
            };
        }
        $needed = 0;
        for ($count = 0; $count <= count($demands); $count++) {
            $needed += $count === 0 ? 0 : $demands[$count - 1]->qty;
            $day = $count === 0 ? $reason->wanted : max($reason->wanted, (int) $demands[$count - 1]->need);
            if ($day > $reason->coversTo) {
                break;
            }
            $received = array_sum(array_map(fn (Supply $order) => $order->effective <= $day ? $order->qty : 0, $orders));
            if ($stock + $received + $proposals - $needed === $reason->balance
                && ($count === 0
                    || $demands[$count - 1]->need >= $reason->wanted
                    || ($demands[$count]->need ?? PHP_INT_MAX) > $reason->wanted)) {
                return new self($day, $stock, $received, $proposals, $needed, $count);
            }
        }

        return new self(null, $stock, 0, $proposals, 0, 0);
    }
}
