<?php

declare(strict_types=1);

namespace Yposta\Core\Shortage;

use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/** What an order lacks if it is started on the plan date: each need of it that is not on hand, with what brings it last. */
final readonly class MissingParts
{
    private function __construct(public Demand $need, public int $missing, public ?Supply $brings)
    {
    }

    /**
     * @param  string  $code  of an open order
     * @return list<self> quantities in millionths
     */
    public static function of(Plan $plan, string $code): array
    {
        $order = null;
        foreach ($plan->supplies as $supplies) {
            foreach ($supplies as $supply) {
                $supply->kind === SupplyKind::Order && $supply->name === $code && $order = $supply;
            }
        }
        $pegs = $order === null ? null : new PegIndex($plan);
        $missing = [];
        foreach ($order->inputs ?? [] as $need) {
            $there = 0;
            $brings = null;
            foreach ($pegs?->serving($need) ?? [] as $peg) {
                if ($peg->supply->kind === SupplyKind::Stock) {
                    $there += $peg->qty;
                } elseif ($brings === null || $peg->supply->available > $brings->available) {
                    $brings = $peg->supply;
                }
            }
            $there < $need->qty && $missing[] = new self($need, $need->qty - $there, $brings);
        }

        return $missing;
    }
}
