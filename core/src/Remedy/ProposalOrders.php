<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Netting\OrderFromProposal;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Run\Supply;
use Yposta\Core\Structure\Point;
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

        return new PutOrder($order, $order->kind === OrderKind::Make ? $this->components($order, $point) : [], $from);
    }

    /** @return list<OrderComponent> as the run gives them to what it proposes */
    private function components(OpenOrder $order, Point $point): array
    {
        $made = OrderFromProposal::of(
            $this->plan->structure, $point, $order->qty, $order->due, $this->plan->options->planDate, $order->start,
        );

        return array_map(fn (array $part) => OrderComponent::of(
            order: $order->code, line: $part['line']->line, item: $part['line']->item, qty: $part['qty'], need: $part['need'],
        ), $made->components);
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
