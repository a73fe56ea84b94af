<?php

declare(strict_types=1);

namespace App\Planning;

use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\Routing;

/** Writes a network into the tables, all or nothing. */
final readonly class NetworkWriter
{
    private const ROWS_AT_ONCE = 400;

    /** Tables that a network fills, those that refer to others first. */
    private const TABLES = [
        'missing_materials', 'accepted_shortages', 'studies', 'message_answers', 'drafts', 'commits', 'conversions', 'allocations', 'order_operations', 'order_components', 'order_lines', 'orders', 'sales_lines', 'forecast_buckets', 'stock', 'setup_changes',
        'operation_alternatives', 'operations', 'closures', 'shifts', 'work_centres', 'substitutes', 'bom_lines', 'planning_data', 'supplier_items', 'suppliers',
        'items', 'sites', 'calendar_days', 'calendars',
    ];

    private Dates $dates;

    public function __construct()
    {
        $this->dates = new Dates;
    }

    public static function isEmpty(): bool
    {
        return ! DB::table('items')->exists() && ! DB::table('sites')->exists();
    }

    /** Puts the network in the place of all business data; plans made of the old data go with it. */
    public function replace(Network $network): void
    {
        DB::transaction(function () use ($network): void {
            foreach (self::TABLES as $table) {
                DB::table($table)->delete();
            }
            DB::table('runs')->delete();
            $this->masterData($network);
            $this->routing($network->routing);
            $this->transactions($network);
            $this->orders($network);
        });
    }

    private function masterData(Network $network): void
    {
        $this->insert('calendars', $network->calendars, fn (Calendar $calendar) => ['code' => $calendar->code, 'weekdays' => $calendar->pattern()]);
        foreach ($network->calendars as $calendar) {
            $days = [];
            foreach ($calendar->exceptions() as $day => $works) {
                $days[] = ['calendar_code' => $calendar->code, 'date' => $this->dates->iso($day), 'works' => $works];
            }
            $this->insert('calendar_days', $days, fn (array $row) => $row);
        }
        $this->insert('sites', $network->sites, fn ($site) => ['code' => $site->code, 'name' => $site->name, 'calendar_code' => $site->calendar]);
        $this->insert('items', $network->items, fn ($item) => [
            'code' => $item->code, 'name' => $item->name, 'unit' => $item->unit, 'decimals' => $item->decimals, 'phantom' => $item->phantom, 'unit_cost' => $item->unitCost,
        ]);
        $this->insert('suppliers', $network->suppliers, fn ($supplier) => ['code' => $supplier->code, 'name' => $supplier->name, 'calendar_code' => $supplier->calendar, 'currency' => $supplier->currency]);
        $this->insert('supplier_items', $network->supplierItems, fn ($offer) => [
            'supplier_code' => $offer->supplier, 'item_code' => $offer->item, 'lead_days' => $offer->leadDays, 'min_qty' => $offer->minQty, 'multiple' => $offer->multiple,
            'price' => $offer->price, 'their_code' => $offer->supplierCode, 'rank' => $offer->rank,
        ]);
        $this->insert('planning_data', $network->planning, fn (Planning $planning) => ['item_code' => $planning->item, 'site_code' => $planning->site, ...self::planningColumns($planning)]);
        $this->insert('bom_lines', $network->bom, fn ($line) => [
            'item_code' => $line->item, 'site_code' => $line->site, 'line' => $line->line, 'component_code' => $line->component, 'qty' => $line->qty, 'basis' => $line->basis->value,
            'base_qty' => $line->baseQty, 'scrap' => $line->scrap, 'offset_days' => $line->offsetDays, 'valid_from' => $this->dates->isoOrNull($line->validFrom),
            'valid_to' => $this->dates->isoOrNull($line->validTo), 'op' => $line->op,
        ]);
        $this->insert('substitutes', $network->substitutes, fn ($substitute) => [
            'item_code' => $substitute->item, 'component_code' => $substitute->component, 'substitute_code' => $substitute->substitute, 'ratio' => $substitute->ratio, 'rank' => $substitute->rank,
        ]);
    }

    /** @return array<string, mixed> the columns of a row of planning data but its key */
    public static function planningColumns(Planning $planning): array
    {
        return [
            'supply' => $planning->supply->value, 'lead_days' => $planning->leadDays, 'supplier_code' => $planning->supplier, 'from_site_code' => $planning->fromSite,
            'safety_stock' => $planning->safetyStock, 'safety_days' => $planning->safetyDays, 'lot_rule' => $planning->lotRule->value, 'group_days' => $planning->groupDays,
            'fixed_qty' => $planning->fixedQty, 'stock_min' => $planning->stockMin, 'stock_max' => $planning->stockMax, 'min_qty' => $planning->minQty, 'multiple' => $planning->multiple,
            'max_qty' => $planning->maxQty, 'frozen_days' => $planning->frozenDays,
        ];
    }

    private function routing(Routing $routing): void
    {
        $this->insert('work_centres', $routing->workCentres, fn ($centre) => [
            'code' => $centre->code, 'name' => $centre->name, 'site_code' => $centre->site, 'kind' => $centre->kind, 'units' => $centre->units,
            'efficiency' => $centre->efficiency, 'calendar_code' => $centre->calendar,
        ]);
        $this->insert('shifts', $routing->shifts, fn ($shift) => [
            'work_centre_code' => $shift->workCentre, 'weekdays' => $shift->weekdays, 'from_minute' => $shift->from, 'to_minute' => $shift->to, 'units' => $shift->units,
        ]);
        $this->insert('closures', $routing->closures, fn ($closure) => [
            'work_centre_code' => $closure->workCentre, 'from_instant' => $closure->from, 'to_instant' => $closure->to, 'units' => $closure->units, 'reason' => $closure->reason,
        ]);
        $this->insert('operations', $routing->operations, fn ($operation) => [
            'item_code' => $operation->item, 'site_code' => $operation->site, 'op' => $operation->op, 'work_centre_code' => $operation->workCentre, 'setup' => $operation->setup,
            'run' => $operation->run, 'base_qty' => $operation->baseQty, 'queue' => $operation->queue, 'move' => $operation->move, 'crew' => $operation->crew, 'setup_family' => $operation->setupFamily,
        ]);
        $this->insert('operation_alternatives', $routing->alternatives, fn ($alternative) => [
            'item_code' => $alternative->item, 'site_code' => $alternative->site, 'op' => $alternative->op, 'work_centre_code' => $alternative->workCentre, 'speed' => $alternative->speed,
        ]);
        $this->insert('setup_changes', $routing->setupChanges, fn ($change) => [
            'work_centre_code' => $change->workCentre, 'from_family' => $change->fromFamily, 'to_family' => $change->toFamily, 'setup' => $change->setup,
        ]);
    }

    private function transactions(Network $network): void
    {
        $this->insert('stock', $network->stock, fn ($stock) => ['item_code' => $stock->item, 'site_code' => $stock->site, 'qty' => $stock->qty]);
        $this->insert('forecast_buckets', $network->forecasts, fn ($bucket) => [
            'forecast' => $bucket->forecast, 'item_code' => $bucket->item, 'site_code' => $bucket->site, 'bucket' => $bucket->bucket->value,
            'start' => $this->dates->iso($bucket->start), 'qty' => $bucket->qty,
        ]);
        $this->insert('sales_lines', $network->sales, fn ($line) => [
            'order_code' => $line->order, 'line' => $line->line, 'item_code' => $line->item, 'site_code' => $line->site, 'qty' => $line->qty, 'shipped' => $line->shipped,
            'due' => $this->dates->iso($line->due), 'customer' => $line->customer, 'priority' => $line->priority,
        ]);
        $this->insert('allocations', $network->allocations, fn ($allocation) => ['demand' => $allocation->demand, 'supply' => $allocation->supply, 'qty' => $allocation->qty]);
    }

    private function orders(Network $network): void
    {
        $now = now();
        $this->insert('orders', $network->orders, fn ($order) => [
            'code' => $order->code, 'kind' => $order->kind->value, 'status' => $order->status->value, 'site_code' => $order->site, 'supplier_code' => $order->supplier,
            'created_at' => $now, 'updated_at' => $now,
        ]);
        $ids = DB::table('orders')->pluck('id', 'code');
        $this->insert('order_lines', $network->orders, fn ($order) => [
            'order_id' => $ids[$order->code], 'number' => 1, 'code' => $order->code, 'item_code' => $order->item, 'from_site_code' => $order->fromSite, 'qty' => $order->qty,
            'received' => $order->received, 'start' => $this->dates->isoOrNull($order->start), 'due' => $this->dates->iso($order->due), 'pinned' => $order->pinned, 'priority' => $order->priority,
        ]);
        $lines = DB::table('order_lines')->pluck('id', 'code');
        $this->insert('order_components', $network->components, fn ($component) => [
            'order_line_id' => $lines[$component->order], 'line' => $component->line, 'item_code' => $component->item, 'qty' => $component->qty, 'issued' => $component->issued,
            'need' => $this->dates->isoOrNull($component->need),
        ]);
        $this->insert('order_operations', $network->routing->orderOperations, fn ($operation) => [
            'order_line_id' => $lines[$operation->order], 'op' => $operation->op, 'work_centre_code' => $operation->workCentre, 'setup' => $operation->setup, 'run' => $operation->run,
            'crew' => $operation->crew, 'done' => $operation->done, 'start_instant' => $operation->start, 'end_instant' => $operation->end, 'fixed' => $operation->fixed,
        ]);
    }

    /**
     * @template T
     *
     * @param  array<T>  $rows
     * @param  callable(T): array<string, mixed>  $columns
     */
    private function insert(string $table, array $rows, callable $columns): void
    {
        foreach (array_chunk(array_values($rows), self::ROWS_AT_ONCE) as $chunk) {
            DB::table($table)->insert(array_map($columns, $chunk));
        }
    }
}
