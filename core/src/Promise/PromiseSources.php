<?php

declare(strict_types=1);

namespace Yposta\Core\Promise;

use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\SupplyKind;

/** From what a promised line comes, directly; millionths. */
final readonly class PromiseSources
{
    /**
     * @param  int  $incoming  open orders
     * @param  int  $make  proposals to make, and so on
     */
    private function __construct(
        public int $stock,
        public int $incoming,
        public int $make,
        public int $buy,
        public int $transfer,
    ) {
    }

    public static function of(Plan $plan, Demand $demand): self
    {
        $found = ['stock' => 0, 'incoming' => 0, OrderKind::Make->value => 0, OrderKind::Buy->value => 0, OrderKind::Transfer->value => 0];
        foreach ((new PegIndex($plan))->serving($demand) as $peg) {
            $found[match (true) {
                $peg->supply->kind === SupplyKind::Stock => 'stock',
                $peg->supply->kind === SupplyKind::Order => 'incoming',
                default => ($peg->supply->type ?? OrderKind::Buy)->value,
            }] += $peg->qty;
        }

        return new self($found['stock'], $found['incoming'], $found['make'], $found['buy'], $found['transfer']);
    }
}
