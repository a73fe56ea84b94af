<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

/** The files of a bundle and their columns (sections 3 and 11). Columns in `needs` must be there, those in `may` have a default. */
final class Schema
{
    public const FILES = [
        'plan.csv' => ['needs' => ['key', 'value'], 'may' => []],
        'calendars.csv' => ['needs' => ['calendar', 'weekdays'], 'may' => []],
        'calendar_days.csv' => ['needs' => ['calendar', 'date', 'works'], 'may' => ['note']],
        'sites.csv' => ['needs' => ['site'], 'may' => ['name', 'calendar']],
        'items.csv' => ['needs' => ['item'], 'may' => ['name', 'unit', 'decimals', 'phantom', 'unit_cost']],
        'suppliers.csv' => ['needs' => ['supplier'], 'may' => ['name', 'calendar', 'currency']],
        'planning.csv' => ['needs' => ['item', 'site', 'supply'], 'may' => [
            'lead_days', 'supplier', 'from_site', 'safety_stock', 'safety_days', 'lot_rule', 'group_days', 'fixed_qty',
            'stock_min', 'stock_max', 'min_qty', 'multiple', 'max_qty', 'frozen_days',
        ]],
        'bom.csv' => ['needs' => ['item', 'line', 'component', 'qty'], 'may' => ['site', 'basis', 'base_qty', 'scrap_pct', 'offset_days', 'valid_from', 'valid_to', 'op']],
        'substitutes.csv' => ['needs' => ['item', 'component', 'substitute'], 'may' => ['ratio', 'rank']],
        'supplier_items.csv' => ['needs' => ['supplier', 'item'], 'may' => ['lead_days', 'min_qty', 'multiple', 'price', 'supplier_code', 'rank']],
        'stock.csv' => ['needs' => ['item', 'site', 'qty'], 'may' => []],
        'forecasts.csv' => ['needs' => ['forecast', 'item', 'site', 'bucket', 'start', 'qty'], 'may' => []],
        'sales.csv' => ['needs' => ['order', 'line', 'item', 'site', 'qty', 'due'], 'may' => ['shipped', 'customer', 'priority']],
        'orders.csv' => ['needs' => ['order', 'kind', 'status', 'item', 'site', 'qty', 'due'], 'may' => ['from_site', 'supplier', 'received', 'start', 'pinned', 'priority']],
        'order_components.csv' => ['needs' => ['order', 'line', 'item', 'qty'], 'may' => ['issued', 'need']],
        'allocations.csv' => ['needs' => ['demand', 'supply', 'qty'], 'may' => []],
        'work_centres.csv' => ['needs' => ['work_centre', 'site'], 'may' => ['name', 'kind', 'units', 'efficiency_pct', 'calendar']],
        'shifts.csv' => ['needs' => ['work_centre', 'weekdays', 'from', 'to'], 'may' => ['units']],
        'closures.csv' => ['needs' => ['work_centre', 'from', 'to'], 'may' => ['units', 'reason']],
        'operations.csv' => ['needs' => ['item', 'op', 'work_centre'], 'may' => ['site', 'setup_min', 'run_min', 'base_qty', 'queue_min', 'move_min', 'crew', 'setup_family']],
        'operation_alternatives.csv' => ['needs' => ['item', 'op', 'work_centre'], 'may' => ['site', 'speed_pct']],
        'setup_changes.csv' => ['needs' => ['work_centre', 'from_family', 'to_family', 'setup_min'], 'may' => []],
        'order_operations.csv' => ['needs' => ['order', 'op', 'work_centre'], 'may' => ['setup_min', 'run_min', 'crew', 'done_qty', 'start', 'end', 'fixed']],
    ];
}
