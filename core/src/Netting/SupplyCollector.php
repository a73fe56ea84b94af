<?php

declare(strict_types=1);

namespace Yposta\Core\Netting;

use Yposta\Core\Demand\DemandCollector;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Network\Stock;
use Yposta\Core\Reference\ReferenceOrder;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Message;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Run\Places;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Run\Workspace;
use Yposta\Core\Structure\Point;

/** Stock and open orders, with what open orders still need: components and transfers out (sections 4 and 5). */
final readonly class SupplyCollector
{
    private const OPTION = [
        OrderKind::Buy->value => 'purchase',
        OrderKind::Make->value => 'production',
        OrderKind::Transfer->value => 'transfer',
    ];

    public function __construct(private Network $network)
    {
    }

    public function collect(Workspace $work): void
    {
        foreach ($this->network->stock as $stock) {
            $this->stock($work, $stock);
        }
        $rows = [];
        foreach ($this->network->components as $component) {
            $rows[$component->order][] = $component;
        }
        $orders = array_values($this->network->orders);
        usort($orders, fn (OpenOrder $a, OpenOrder $b) => strcmp($a->code, $b->code));
        $work->orders = new Places(array_column($orders, 'code'));
        foreach ($orders as $order) {
            $this->order($work, $order, $rows[$order->code] ?? []);
        }
    }

    public function stock(Workspace $work, Stock $stock): void
    {
        $point = $this->point($work, $stock->item, $stock->site);
        if ($stock->qty > 0 && $point->inScope && in_array('stock', $work->options->supply, true)) {
            $today = $work->options->planDate;
            $work->supplies[$point->index][] = new Supply(
                point: $point->index,
                kind: SupplyKind::Stock,
                type: null,
                name: $point->label(),
                rank: SupplyKind::Stock->rank(0),
                qty: $stock->qty,
                start: $today,
                due: $today,
                earliest: $today,
                priority: DemandCollector::LEAST_URGENT,
            );
        }
    }

    /** @param  list<OrderComponent>  $rows  its components, if it has rows of them */
    public function order(Workspace $work, OpenOrder $order, array $rows): void
    {
        $point = $this->point($work, $order->item, $order->site);
        if ($order->open() === 0 || ! $point->inScope || ! in_array(self::OPTION[$order->kind->value], $work->options->supply, true)) {
            return;
        }
        $place = $work->orders->of($order->code);
        $planDate = $work->options->planDate;
        [$calendar, $lead] = $order->kind === OrderKind::Buy
            ? [$point->leadCalendar, $point->lead]
            : [$point->calendar, $point->makeLeadFor($order->qty)];
        $start = $order->start ?? $calendar->back($order->due, $lead);
        $supply = new Supply(
            point: $point->index,
            kind: SupplyKind::Order,
            type: $order->kind,
            name: $order->code,
            rank: SupplyKind::Order->rank($place),
            qty: $order->open(),
            start: $start,
            due: $order->due,
            earliest: $order->due,
            priority: $order->priority,
            pinned: $order->pinned,
            released: $order->status === OrderStatus::Released,
            supplier: $order->supplier,
            fromSite: $order->fromSite,
            overdue: $order->due < $planDate,
        );
        $supply->effective = max($order->due, $planDate);
        $supply->whole = $order->qty;
        $work->supplies[$point->index][] = $supply;
        if ($supply->overdue) {
            $work->factMessages[$point->index][] = new Message(
                MessageCode::Overdue, $supply, $point->index, $order->due, $planDate, $supply->qty,
            );
        }
        if ($order->kind === OrderKind::Transfer && $order->status === OrderStatus::Firm && $order->fromSite !== null) {
            $source = $this->point($work, $order->item, $order->fromSite);
            $demand = $work->demand(
                $source, DemandKind::Out, $order->code, '', DemandKind::Out->rank(false, $place), $supply->qty, $start,
                $order->priority, $supply,
            );
            $demand === null || $supply->inputs[] = $demand;
        }
        if ($rows !== []) {
            $this->components($work, $supply, $order, $rows, $place);
        } elseif ($order->kind === OrderKind::Make) {
            $this->componentsOfStructure($work, $supply, $place);
        }
    }

    /** @param  list<OrderComponent>  $rows */
    private function components(Workspace $work, Supply $supply, OpenOrder $order, array $rows, int $place): void
    {
        usort($rows, fn (OrderComponent $a, OrderComponent $b) => ReferenceOrder::lines($a->line, $b->line));
        foreach ($rows as $row => $component) {
            $point = $this->point($work, $component->item, $order->site);
            $demand = $work->demand(
                $point, DemandKind::Part, $order->code, $component->line, DemandKind::Part->rank(false, ($place << 20) | $row),
                $component->open(), $component->need ?? $supply->start, $order->priority, $supply,
            );
            if ($demand !== null) {
                $demand->op = $component->op;
                $supply->inputs[] = $demand;
            }
        }
    }

    /** A production order without component rows takes them from the structure, all at its start, without offsets. */
    private function componentsOfStructure(Workspace $work, Supply $supply, int $place): void
    {
        $day = max($supply->start, $work->options->planDate);
        foreach ($work->structure->components[$supply->point] ?? [] as $row => $line) {
            if ($line->validOn($day)) {
                $qty = $line->requirement($supply->qty);
                $demand = $work->demand(
                    $work->structure->points[$line->point], DemandKind::Part, $supply->name, $line->line,
                    DemandKind::Part->rank(false, ($place << 20) | $row), $qty, $supply->start, $supply->priority, $supply,
                );
                if ($demand !== null) {
                    $demand->op = $line->op;
                    $supply->inputs[] = $demand;
                }
            }
        }
    }

    private function point(Workspace $work, string $item, string $site): Point
    {
        return $work->structure->points[$work->structure->indexes[Network::key($item, $site)]];
    }
}
