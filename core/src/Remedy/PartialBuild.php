<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\Factor;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Study\SplitOrder;

/** What is complete is built now, the rest later. */
final readonly class PartialBuild extends Remedy
{
    private function __construct(SplitOrder $change, public string $order, public Amount $qty, public int $due)
    {
        parent::__construct([$change]);
    }

    /** @return list<self> */
    public static function find(Situation $in): array
    {
        $demand = $in->need->demand;
        $consumer = $demand->for;
        if ($consumer?->kind !== SupplyKind::Order || $consumer->type !== OrderKind::Make || $demand->qty <= 0) {
            return [];
        }
        $order = $in->plan->network->orders[$consumer->name] ?? null;
        if ($order === null || $consumer->available <= $order->due) {
            return [];
        }
        $item = $in->plan->structure->points[$consumer->point]->item;
        $buildable = intdiv(Factor::share($order->open(), $demand->qty - $in->need->short, $demand->qty, 1), $item->step()) * $item->step();
        if ($buildable <= 0 || $buildable >= $order->open()) {
            return [];
        }

        return [new self(
            new SplitOrder($order->code, $order->received + $buildable, $consumer->available, $in->freshCode()), $order->code,
            new Amount($buildable, $item->unit), $consumer->available,
        )];
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::Split;
    }

    public function moves(): string
    {
        return $this->order;
    }

    protected function values(): array
    {
        return ['order' => Situation::orderName($this->order), 'qty' => $this->qty, 'due' => new Date($this->due)];
    }
}
