<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\Closure;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\Item;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\Operation;
use Yposta\Core\Network\OperationAlternative;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderOperation;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Network\SetupChange;
use Yposta\Core\Network\Shift;
use Yposta\Core\Network\Site;
use Yposta\Core\Network\Stock;
use Yposta\Core\Network\Substitute;
use Yposta\Core\Network\Supplier;
use Yposta\Core\Network\SupplierItem;
use Yposta\Core\Network\WorkCentre;
use Yposta\Core\Options;
use Yposta\Core\Quantity\Quantity;

/** Writes a network and its options as a bundle that reads back to the same (sections 3 and 11). */
final readonly class BundleWriter
{
    public function __construct(private Network $network, private Options $options)
    {
    }

    /**
     * The columns and rows of each file; files without rows are left out.
     *
     * @return iterable<string, array{columns: list<string>, rows: list<list<string>>}> by file name
     */
    public function files(): iterable
    {
        foreach (Schema::FILES as $file => $schema) {
            $rows = $this->rows($file);
            if ($rows !== []) {
                yield $file => ['columns' => [...$schema['needs'], ...$schema['may']], 'rows' => $rows];
            }
        }
    }

    /** @return list<list<string>> fields in the order of the schema: what is needed, then what may be there */
    private function rows(string $file): array
    {
        $network = $this->network;
        $routing = $network->routing;

        return match ($file) {
            'plan.csv' => $this->settings(),
            'calendars.csv' => self::each($network->calendars, fn (Calendar $calendar) => [$calendar->code, $calendar->pattern()]),
            'calendar_days.csv' => $this->calendarDays(),
            'sites.csv' => self::each($network->sites, fn (Site $site) => [$site->code, $site->name, (string) $site->calendar]),
            'items.csv' => self::each($network->items, fn (Item $item) => [$item->code, $item->name, $item->unit, (string) $item->decimals, self::flag($item->phantom), Quantity::format($item->unitCost)]),
            'suppliers.csv' => self::each($network->suppliers, fn (Supplier $supplier) => [$supplier->code, $supplier->name, (string) $supplier->calendar, $supplier->currency]),
            'planning.csv' => self::each($network->planning, $this->planning(...)),
            'bom.csv' => self::each($network->bom, fn (BomLine $line) => [
                $line->item, $line->line, $line->component, Quantity::format($line->qty), (string) $line->site, $line->basis->value, Quantity::format($line->baseQty), Quantity::format($line->scrap),
                (string) $line->offsetDays, self::day($line->validFrom), self::day($line->validTo), self::number($line->op),
            ]),
            'substitutes.csv' => self::each($network->substitutes, fn (Substitute $row) => [$row->item, $row->component, $row->substitute, Quantity::format($row->ratio), (string) $row->rank]),
            'supplier_items.csv' => self::each($network->supplierItems, fn (SupplierItem $offer) => [
                $offer->supplier, $offer->item, self::number($offer->leadDays), self::quantity($offer->minQty), self::quantity($offer->multiple), self::quantity($offer->price), $offer->supplierCode, (string) $offer->rank,
            ]),
            'stock.csv' => self::each($network->stock, fn (Stock $stock) => [$stock->item, $stock->site, Quantity::format($stock->qty)]),
            'forecasts.csv' => self::each($network->forecasts, fn (ForecastBucket $bucket) => [
                $bucket->forecast, $bucket->item, $bucket->site, $bucket->bucket->value, Day::format($bucket->start), Quantity::format($bucket->qty),
            ]),
            'sales.csv' => self::each($network->sales, fn (SalesLine $line) => [
                $line->order, $line->line, $line->item, $line->site, Quantity::format($line->qty), Day::format($line->due), Quantity::format($line->shipped), $line->customer, (string) $line->priority,
            ]),
            'orders.csv' => self::each($network->orders, fn (OpenOrder $order) => [
                $order->code, $order->kind->value, $order->status->value, $order->item, $order->site, Quantity::format($order->qty), Day::format($order->due), (string) $order->fromSite, (string) $order->supplier,
                Quantity::format($order->received), self::day($order->start), self::flag($order->pinned), (string) $order->priority,
            ]),
            'order_components.csv' => self::each($network->components, fn (OrderComponent $row) => [$row->order, $row->line, $row->item, Quantity::format($row->qty), Quantity::format($row->issued), self::day($row->need)]),
            'allocations.csv' => self::each($network->allocations, fn (Allocation $row) => [$row->demand, $row->supply, Quantity::format($row->qty)]),
            'work_centres.csv' => self::each($routing->workCentres, fn (WorkCentre $centre) => [
                $centre->code, $centre->site, $centre->name, $centre->kind, (string) $centre->units, Quantity::format($centre->efficiency), (string) $centre->calendar,
            ]),
            'shifts.csv' => self::each($routing->shifts, fn (Shift $shift) => [$shift->workCentre, $shift->weekdays, self::time($shift->from), self::time($shift->to), self::number($shift->units)]),
            'closures.csv' => self::each($routing->closures, fn (Closure $closure) => [$closure->workCentre, $closure->from, $closure->to, self::number($closure->units), $closure->reason]),
            'operations.csv' => self::each($routing->operations, fn (Operation $row) => [
                $row->item, (string) $row->op, $row->workCentre, (string) $row->site, Quantity::format($row->setup), Quantity::format($row->run), Quantity::format($row->baseQty), Quantity::format($row->queue),
                Quantity::format($row->move), (string) $row->crew, $row->setupFamily,
            ]),
            'operation_alternatives.csv' => self::each($routing->alternatives, fn (OperationAlternative $row) => [$row->item, (string) $row->op, $row->workCentre, (string) $row->site, Quantity::format($row->speed)]),
            'setup_changes.csv' => self::each($routing->setupChanges, fn (SetupChange $row) => [$row->workCentre, $row->fromFamily, $row->toFamily, Quantity::format($row->setup)]),
            'order_operations.csv' => self::each($routing->orderOperations, fn (OrderOperation $row) => [
                $row->order, (string) $row->op, $row->workCentre, Quantity::format($row->setup), Quantity::format($row->run), (string) $row->crew, Quantity::format($row->done), (string) $row->start, (string) $row->end, self::flag($row->fixed),
            ]),
            default => [],
        };
    }

    /** @return list<string> */
    private function planning(Planning $planning): array
    {
        return [
            $planning->item, $planning->site, $planning->supply->value, self::number($planning->leadDays), (string) $planning->supplier, (string) $planning->fromSite, Quantity::format($planning->safetyStock),
            (string) $planning->safetyDays, $planning->lotRule->value, (string) $planning->groupDays, self::quantity($planning->fixedQty), self::quantity($planning->stockMin), self::quantity($planning->stockMax),
            self::quantity($planning->minQty), self::quantity($planning->multiple), self::quantity($planning->maxQty), (string) $planning->frozenDays,
        ];
    }

    /** @return list<list<string>> */
    private function calendarDays(): array
    {
        $rows = [];
        foreach ($this->network->calendars as $calendar) {
            foreach ($calendar->exceptions() as $day => $works) {
                $rows[] = [$calendar->code, Day::format($day), self::flag($works), ''];
            }
        }

        return $rows;
    }

    /** @return list<list<string>> */
    private function settings(): array
    {
        $options = $this->options;
        $settings = [
            'plan_date' => Day::format($options->planDate),
            'horizon_end' => Day::format($options->horizonEnd),
            'calendars' => $options->calendars ? 'on' : 'off',
            'bring_in_days' => (string) $options->bringInDays,
            'push_out_days' => (string) $options->pushOutDays,
            'forecasts' => implode(';', $options->forecasts),
            'consume' => $options->consume ? 'on' : 'off',
            'consume_back_days' => (string) $options->consumeBackDays,
            'consume_forward_days' => (string) $options->consumeForwardDays,
            'forecast_placement' => $options->spread ? 'spread' : 'start',
            'safety_stock' => $options->safetyStock ? 'on' : 'off',
            'peg_rule' => $options->pegByPriority ? 'priority' : 'date',
            'demand' => implode(';', $options->demand),
            'supply' => implode(';', $options->supply),
            'sites' => implode(';', $options->sites ?? []),
            'items' => implode(';', $options->items ?? []),
            'bucket' => $options->bucket->value,
        ];
        $rows = [];
        foreach ($settings as $key => $value) {
            $value === '' || $rows[] = [$key, $value];
        }

        return $rows;
    }

    /**
     * @template T
     *
     * @param  array<T>  $rows
     * @param  callable(T): list<string>  $fields
     * @return list<list<string>>
     */
    private static function each(array $rows, callable $fields): array
    {
        return array_map($fields, array_values($rows));
    }

    private static function flag(bool $flag): string
    {
        return $flag ? '1' : '0';
    }

    private static function day(?int $day): string
    {
        return $day === null ? '' : Day::format($day);
    }

    private static function number(?int $number): string
    {
        return $number === null ? '' : (string) $number;
    }

    private static function quantity(?int $millionths): string
    {
        return $millionths === null ? '' : Quantity::format($millionths);
    }

    private static function time(int $minutes): string
    {
        return sprintf('%02d:%02d', intdiv($minutes, 60) % 24, $minutes % 60);
    }
}
