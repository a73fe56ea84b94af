<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Scheduling\Load;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ResizeOrder;
use Yposta\Core\Support\Phrase;

/** Orders make no more than somebody needs. */
final readonly class SmallerLots extends Remedy
{
    /** @param  non-empty-list<Change>  $changes */
    private function __construct(array $changes)
    {
        parent::__construct($changes);
    }

    /** @return list<self> */
    public static function find(Plan $plan, Load $load, string $centre, int $place): array
    {
        $pegs = new PegIndex($plan);
        $changes = [];
        foreach ($load->at($centre, $place) as $entry) {
            $supply = $entry->laid->supply;
            if ($supply->kind !== SupplyKind::Order) {
                continue;
            }
            $order = $plan->network->orders[$supply->name];
            $step = $plan->structure->points[$supply->point]->item->step();
            $free = intdiv($pegs->free($supply), $step) * $step;
            if ($free > 0 && $order->qty - $free > $order->received) {
                $changes[$supply->name] = new ResizeOrder($supply->name, $order->qty - $free);
            }
        }

        return $changes === [] ? [] : [new self(array_values($changes))];
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::SmallerLots;
    }

    protected function values(): array
    {
        return ['orders' => new Phrase('orders', ['count' => count($this->changes)])];
    }
}
