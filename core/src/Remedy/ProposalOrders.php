<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Run\Supply;
use Yposta\Core\Study\OrderRows;
use Yposta\Core\Study\ProposalOrigins;
use Yposta\Core\Study\PutOrder;

/** Makes orders of the proposals of a plan, with their components as the plan has them. */
final readonly class ProposalOrders
{
    public function __construct(private Plan $plan, private ProposalOrigins $origins)
    {
    }

    /**
     * @param  int  $due  day number
     * @param  int|null  $start  null leaves it to the lead time
     * @param  int  $place  among the new orders that are made at once, from 0
     */
    public function of(Supply $proposal, int $due, ?int $start, int $place = 0): PutOrder
    {
        $point = $this->plan->structure->points[$proposal->point];
        $order = OpenOrder::of(
            code: NewOrderCode::free($this->plan->network->orders, $place + 1)[$place], kind: $point->supply(), status: OrderStatus::Firm,
            item: $point->item->code, site: $point->site->code, fromSite: $proposal->fromSite,
            supplier: $proposal->supplier, qty: $proposal->qty, start: $start ?? ($due === $proposal->due ? $proposal->start : null),
            due: $due, priority: $proposal->priority,
        );
        $from = $this->origins->of($point, $proposal, $this->placeAmongAlike($proposal));
        $put = new PutOrder($order, [], $from);

        return $order->kind === OrderKind::Make
            ? new PutOrder($order, OrderRows::of($put->apply($this->plan->network), $order->code), $from)
            : $put;
    }

    /**
     * An order to buy what is proposed to be made.
     *
     * @param  int  $qty  millionths
     * @param  int  $due  day number
     */
    public function bought(Supply $proposal, string $supplier, int $qty, int $due): PutOrder
    {
        $point = $this->plan->structure->points[$proposal->point];

        return new PutOrder(OpenOrder::of(
            code: NewOrderCode::free($this->plan->network->orders, 1)[0], kind: OrderKind::Buy, status: OrderStatus::Firm,
            item: $point->item->code, site: $point->site->code, supplier: $supplier, qty: $qty, due: $due, priority: $proposal->priority,
        ), [], $this->origins->of($point, $proposal, $this->placeAmongAlike($proposal)));
    }

    private function placeAmongAlike(Supply $proposal): int
    {
        $place = 0;
        foreach ($this->plan->supplies[$proposal->point] ?? [] as $other) {
            if ($other === $proposal) {
                return $place;
            }
            $alike = $other->isProposal()
                && [
                    $other->supplier, $other->fromSite, $other->qty, $other->start, $other->due,
                ] === [$proposal->supplier, $proposal->fromSite, $proposal->qty, $proposal->start, $proposal->due];
            $place += $alike ? 1 : 0;
        }

        return $place;
    }
}
