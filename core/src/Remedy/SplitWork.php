<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Plan\FirstNeed;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Run\Supply;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\SplitOrder;

/** A part of an order is made first, the rest as a second order: what is waited for first, or half of it. */
final readonly class SplitWork extends Remedy
{
    /** @param  non-empty-list<Change>  $changes */
    private function __construct(array $changes, private string $order, private Amount $first)
    {
        parent::__construct($changes);
    }

    /** @return list<self> */
    public static function find(ShopSituation $in, Supply $supply): array
    {
        $order = $supply->isProposal() ? null : $in->plan->network->orders[$supply->name] ?? null;
        if ($order === null) {
            return [];
        }
        $item = $in->plan->structure->points[$supply->point]->item;
        $found = [];
        $first = FirstNeed::of($in->pegs, $supply)[1] ?? null;
        $wanted = 0;
        foreach ($first === null ? [] : $in->pegs->servedBy($supply) as $peg) {
            $wanted += $peg->demand === $first ? $peg->qty : 0;
        }
        $half = intdiv(intdiv($order->open(), 2) + $item->step() - 1, $item->step()) * $item->step();
        $second = $in->operations($supply)[1][0]->op ?? PHP_INT_MAX;
        foreach (array_unique([$wanted, $half]) as $qty) {
            if ($qty > 0 && $qty < $order->open()) {
                $rest = NewOrderCode::free($in->plan->network->orders)[0];
                $found[] = new self([
                    new SplitOrder($order->code, $order->received + $qty, $order->due, $rest),
                    ...$in->freed($supply, $order->code, $second),
                ], $order->code, new Amount($qty, $item->unit));
            }
        }

        return $found;
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::SplitWork;
    }

    public function moves(): string
    {
        return $this->order;
    }

    protected function values(): array
    {
        return ['order' => Situation::orderName($this->order), 'qty' => $this->first];
    }
}
