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
use Yposta\Core\Plan\DemandKind;
use Yposta\Core\Plan\Message;
use Yposta\Core\Plan\MessageCode;
use Yposta\Core\Plan\Supply;
use Yposta\Core\Plan\SupplyKind;
use Yposta\Core\Structure\Point;
use Yposta\Core\Structure\ReferenceOrder;

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
            $work->supplies[$point->index][] = new Supply($point->index, SupplyKind::Stock, null, $point->label(), SupplyKind::Stock->rank(0), $stock->qty, $today, $today, $today, DemandCollector::LEAST_URGENT);
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
        [$calendar, $lead] = $order->kind === OrderKind::Buy ? [$point->leadCalendar, $point->lead] : [$point->calendar, $point->makeLead];
        $start = $order->start ?? $calendar->back($order->due, $lead);
        $supply = new Supply(
            $point->index, SupplyKind::Order, $order->kind, $order->code, SupplyKind::Order->rank($place), $order->open(), $start, $order->due,
            $order->due, $order->priority, $order->pinned, $order->status === OrderStatus::Released, $order->supplier, $order->fromSite, $order->due < $planDate,
        );
        $supply->effective = max($order->due, $planDate);
        $work->supplies[$point->index][] = $supply;
        if ($supply->overdue) {
            $work->factMessages[$point->index][] = new Message(MessageCode::Overdue, $supply, $point->index, $order->due, $planDate, $supply->qty);
        }
        if ($order->kind === OrderKind::Transfer && $order->status === OrderStatus::Firm && $order->fromSite !== null) {
            $source = $this->point($work, $order->item, $order->fromSite);
            $demand = $work->demand($source, DemandKind::Out, $order->code, '', DemandKind::Out->rank(false, $place), $supply->qty, $start, $order->priority, $supply);
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
            $demand = $work->demand($point, DemandKind::Part, $order->code, $component->line, DemandKind::Part->rank(false, ($place << 20) | $row), $component->open(), $component->need ?? $supply->start, $order->priority, $supply);
            $demand === null || $supply->inputs[] = $demand;
        }
    }

    /** A production order without component rows takes them from the structure, all at its start, without offsets. */
    private function componentsOfStructure(Workspace $work, Supply $supply, int $place): void
    {
        $day = max($supply->start, $work->options->planDate);
        foreach ($work->structure->components[$supply->point] ?? [] as $row => $line) {
            if ($line->validOn($day)) {
                $qty = $line->requirement($supply->qty);
                $demand = $work->demand($work->structure->points[$line->point], DemandKind::Part, $supply->name, $line->line, DemandKind::Part->rank(false, ($place << 20) | $row), $qty, $supply->start, $supply->priority, $supply);
                $demand === null || $supply->inputs[] = $demand;
            }
        }
    }

    private function point(Workspace $work, string $item, string $site): Point
    {
        return $work->structure->points[$work->structure->indexes[Network::key($item, $site)]];
    }
}
