<?php

declare(strict_types=1);

namespace Yposta\Core\Capacity;

use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\Operation;
use Yposta\Core\Network\OrderOperation;
use Yposta\Core\Quantity\Quantity;

/** The operations of what is made, and what each takes (scheduling rules, section 2). */
final class Routings
{
    /** @var array<string, list<Operation>> by item, and by site, where the empty one is for all */
    private array $ofItems = [];

    /** @var array<string, list<OrderOperation>> by order */
    private array $ofOrders = [];

    public function __construct(private readonly Network $network)
    {
        foreach ($network->operations as $row) {
            $this->ofItems[Network::key($row->item, $row->site ?? '')][] = $row;
        }
        foreach ($network->orderOperations as $row) {
            $this->ofOrders[$row->order][] = $row;
        }
        foreach ($this->ofItems as &$rows) {
            usort($rows, fn (Operation $a, Operation $b) => $a->op <=> $b->op);
        }
        foreach ($this->ofOrders as &$rows) {
            usort($rows, fn (OrderOperation $a, OrderOperation $b) => $a->op <=> $b->op);
        }
    }

    /** @return list<Operation> by number: the rows of the site, else those for all */
    public function of(string $item, string $site): array
    {
        return $this->ofItems[Network::key($item, $site)] ?? $this->ofItems[Network::key($item, '')] ?? [];
    }

    /**
     * @param  int  $qty  millionths
     * @return list<Work> of a proposal of so much
     */
    public function ofProposal(string $item, string $site, int $qty): array
    {
        return array_map(fn (Operation $row) => $this->work($row, $qty), $this->of($item, $site));
    }

    /** @return list<OrderOperation> rows of an order, by number */
    public function ofOrderRows(string $order): array
    {
        return $this->ofOrders[$order] ?? [];
    }

    /** @return list<Work> what an open production order has left to do; an operation with nothing left is over */
    public function ofOrder(OpenOrder $order): array
    {
        $rows = $this->ofOrders[$order->code] ?? [];
        if ($rows === []) {
            return $this->ofProposal($order->item, $order->site, $order->qty);
        }
        $master = [];
        foreach ($this->of($order->item, $order->site) as $row) {
            $master[$row->op] = $row;
        }
        $left = [];
        foreach ($rows as $row) {
            $qty = $order->qty - $row->done;
            if ($qty <= 0) {
                continue;
            }
            $like = $master[$row->op] ?? null;
            $setup = $row->done > 0 ? 0 : $row->setup;
            $left[] = new Work(
                op: $row->op,
                centre: $row->workCentre,
                crew: $row->crew,
                minutes: Minutes::of($setup, $row->run, Quantity::ONE, $qty, $this->network->workCentres[$row->workCentre]->efficiency),
                setup: $setup,
                run: $row->run,
                base: Quantity::ONE,
                qty: $qty,
                queue: $like->queue ?? 0,
                move: $like->move ?? 0,
                family: $like->setupFamily ?? '',
            );
        }

        return $left;
    }

    private function work(Operation $row, int $qty): Work
    {
        return new Work(
            op: $row->op,
            centre: $row->workCentre,
            crew: $row->crew,
            minutes: Minutes::of($row->setup, $row->run, $row->baseQty, $qty, $this->network->workCentres[$row->workCentre]->efficiency),
            setup: $row->setup,
            run: $row->run,
            base: $row->baseQty,
            qty: $qty,
            queue: $row->queue,
            move: $row->move,
            family: $row->setupFamily,
        );
    }
}
