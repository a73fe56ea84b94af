<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use InvalidArgumentException;
use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Network\Basis;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\Item;
use Yposta\Core\Network\LotRule;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\Site;
use Yposta\Core\Network\Substitute;
use Yposta\Core\Network\Supplier;
use Yposta\Core\Network\SupplierItem;
use Yposta\Core\Quantity\Quantity;

/** Reads what changes seldom: calendars, sites, items, suppliers, planning data and structures. */
final class MasterData
{
    /** The longest lead time or other number of days. */
    private const MOST_DAYS = 10_000;

    private const FINEST = 6;

    /** @var array<string, Calendar> */
    public array $calendars = [];

    /** @var array<string, Site> */
    public array $sites = [];

    /** @var array<string, Item> */
    public array $items = [];

    /** @var array<string, Supplier> */
    public array $suppliers = [];

    /** @var list<SupplierItem> */
    public array $supplierItems = [];

    /** @var array<string, Planning> */
    public array $planning = [];

    /** @var list<BomLine> */
    public array $bom = [];

    /** @var list<Substitute> */
    public array $substitutes = [];

    /** @var array<string, array<string, int>> line in planning.csv by item and site, for warnings */
    private array $madeOrBought = [];

    public function __construct(private readonly Files $files)
    {
    }

    public function read(): void
    {
        $this->calendars();
        $this->sites();
        $this->items();
        $this->suppliers();
        $this->supplierItems();
        $this->planning();
        $this->structures();
        $this->substitutes();
        $this->warnOfGaps();
    }

    public function decimals(string $item): int
    {
        return $this->items[$item]->decimals ?? self::FINEST;
    }

    private function calendars(): void
    {
        $weekdays = $lines = $days = [];
        foreach ($this->files->rows('calendars.csv') as $row) {
            $code = $row->code('calendar');
            $pattern = $row->text('weekdays');
            if (preg_match('/^[1-7]{0,7}$/D', $pattern) !== 1 || count(array_unique(str_split($pattern))) !== max(1, strlen($pattern))) {
                $row->wrong('weekdays', "'{$pattern}' is no set of weekdays", 'digits from 1 (Monday) to 7, each once');
                $pattern = '';
            }
            $this->files->unique('calendars.csv', $row, [$code]);
            $weekdays[$code] = $pattern;
            $lines[$code] = $row->line();
        }
        foreach ($this->files->rows('calendar_days.csv') as $row) {
            $code = $row->reference('calendar', $weekdays, 'calendar');
            $day = $row->day('date');
            $row->isEmpty('works') && $row->wrong('works', 'is empty', '0 or 1');
            $this->files->unique('calendar_days.csv', $row, [$code, $day]);
            $days[$code][$day] = $row->flag('works');
        }
        foreach ($weekdays as $code => $pattern) {
            $code = (string) $code;
            try {
                $this->calendars[$code] = self::calendar($code, $pattern, $days[$code] ?? []);
            } catch (InvalidArgumentException) {
                $this->files->findings->error('calendars.csv', $lines[$code], 'weekdays', "calendar {$code} has no working day", 'give it at least one');
            }
        }
    }

    /**
     * @param  string  $pattern  weekdays that work, as digits from 1 (Monday)
     * @param  array<int, bool>  $days  single days that differ
     *
     * @throws InvalidArgumentException when no day works
     */
    public static function calendar(string $code, string $pattern, array $days): Calendar
    {
        $weekdays = [];
        for ($weekday = 1; $weekday <= 7; $weekday++) {
            $weekdays[$weekday] = str_contains($pattern, (string) $weekday);
        }

        return new Calendar($code, $weekdays, $days);
    }

    private function sites(): void
    {
        foreach ($this->files->rows('sites.csv') as $row) {
            $site = new Site($row->code('site'), $row->text('name', $row->text('site')), $row->optionalReference('calendar', $this->calendars, 'calendar'));
            $this->files->unique('sites.csv', $row, [$site->code]);
            $this->sites[$site->code] = $site;
        }
    }

    private function items(): void
    {
        foreach ($this->files->rows('items.csv') as $row) {
            $item = new Item(
                $row->code('item'), $row->text('name', $row->text('item')), $row->text('unit'), $row->whole('decimals', 0, self::FINEST, 0),
                $row->flag('phantom'), $row->quantity('unit_cost', self::FINEST, 0),
            );
            $this->files->unique('items.csv', $row, [$item->code]);
            $this->items[$item->code] = $item;
        }
    }

    private function suppliers(): void
    {
        foreach ($this->files->rows('suppliers.csv') as $row) {
            $supplier = new Supplier($row->code('supplier'), $row->text('name', $row->text('supplier')), $row->optionalReference('calendar', $this->calendars, 'calendar'), $row->text('currency'));
            $this->files->unique('suppliers.csv', $row, [$supplier->code]);
            $this->suppliers[$supplier->code] = $supplier;
        }
    }

    private function supplierItems(): void
    {
        foreach ($this->files->rows('supplier_items.csv') as $row) {
            $item = $row->reference('item', $this->items, 'item');
            $decimals = $this->decimals($item);
            $offer = new SupplierItem(
                $row->reference('supplier', $this->suppliers, 'supplier'), $item, $row->optionalWhole('lead_days', 0, self::MOST_DAYS),
                $row->optionalQuantity('min_qty', $decimals), $row->optionalQuantity('multiple', $decimals), $row->optionalQuantity('price', self::FINEST),
                $row->text('supplier_code'), $row->whole('rank', 0, 999_999, 1),
            );
            $this->files->unique('supplier_items.csv', $row, [$offer->supplier, $offer->item]);
            $row->sound() && $this->supplierItems[] = $offer;
        }
    }

    private function planning(): void
    {
        foreach ($this->files->rows('planning.csv') as $row) {
            $item = $row->reference('item', $this->items, 'item');
            $decimals = $this->decimals($item);
            $planning = new Planning(
                $item, $row->reference('site', $this->sites, 'site'), $row->choice('supply', OrderKind::Buy, false),
                $row->optionalWhole('lead_days', 0, self::MOST_DAYS), $row->optionalReference('supplier', $this->suppliers, 'supplier'),
                $row->optionalReference('from_site', $this->sites, 'site'), $row->quantity('safety_stock', $decimals, 0),
                $row->whole('safety_days', 0, self::MOST_DAYS, 0), $row->choice('lot_rule', LotRule::LotForLot), $row->whole('group_days', 1, self::MOST_DAYS, 1),
                $row->optionalQuantity('fixed_qty', $decimals), $row->optionalQuantity('stock_min', $decimals), $row->optionalQuantity('stock_max', $decimals),
                $row->optionalQuantity('min_qty', $decimals), $row->optionalQuantity('multiple', $decimals), $row->optionalQuantity('max_qty', $decimals),
                $row->whole('frozen_days', 0, self::MOST_DAYS, 0),
            );
            $this->files->unique('planning.csv', $row, [$planning->item, $planning->site]);
            $this->checkPlanning($row, $planning);
            $this->planning[Network::key($planning->item, $planning->site)] = $planning;
            $this->madeOrBought[$planning->item][$planning->site] = $row->line();
        }
    }

    private function checkPlanning(Row $row, Planning $planning): void
    {
        if ($planning->lotRule === LotRule::Fixed && ($planning->fixedQty ?? 0) <= 0) {
            $row->wrong('fixed_qty', 'the rule fixed needs a quantity', 'give fixed_qty above 0');
        }
        if ($planning->lotRule === LotRule::MinMax && ($planning->stockMax === null || $planning->stockMax < ($planning->stockMin ?? 0))) {
            $row->wrong('stock_max', 'the rule min_max needs a stock_max not below stock_min', 'give a higher stock_max');
        }
        if ($planning->supply === OrderKind::Transfer && $planning->fromSite === null) {
            $row->wrong('from_site', 'is empty', 'a transfer needs the site it comes from');
        }
        if ($planning->supply === OrderKind::Transfer && $planning->fromSite === $planning->site) {
            $row->wrong('from_site', 'the point would transfer from itself', 'name another site');
        }
    }

    private function structures(): void
    {
        /** @var array<string, array<string, true>> $sitesOf sites of each line, empty for all */
        $sitesOf = [];
        foreach ($this->files->rows('bom.csv') as $row) {
            $line = new BomLine(
                $row->reference('item', $this->items, 'item'), $row->optionalReference('site', $this->sites, 'site'), $row->code('line'),
                $row->reference('component', $this->items, 'item'), $row->quantity('qty', self::FINEST), $row->choice('basis', Basis::Unit),
                $row->quantity('base_qty', self::FINEST, Quantity::ONE), $row->quantity('scrap_pct', self::FINEST, 0), $row->whole('offset_days', 0, self::MOST_DAYS, 0),
                $row->optionalDay('valid_from'), $row->optionalDay('valid_to'), $row->optionalWhole('op', 0, 999_999),
            );
            $line->baseQty === 0 && $row->wrong('base_qty', 'is 0', 'it must be above 0');
            $line->scrap >= 100 * Quantity::ONE && $row->wrong('scrap_pct', 'is 100 % or more', 'it must be below 100');
            if ($line->validFrom !== null && $line->validTo !== null && $line->validTo < $line->validFrom) {
                $row->warn('valid_to', 'ends before it begins, so the line is never valid', 'make it valid_from or later');
            }
            $key = $line->item."\x1f".$line->line;
            $sites = $sitesOf[$key] ?? [];
            $clash = $line->site === null ? $sites !== [] : isset($sites[$line->site]) || isset($sites['']);
            $clash && $row->wrong('line', "line {$line->line} of {$line->item} stands there already for the same site", 'number the lines of an item differently');
            $sitesOf[$key] = [...$sites, (string) $line->site => true];
            $row->sound() && $this->bom[] = $line;
        }
    }

    private function substitutes(): void
    {
        foreach ($this->files->rows('substitutes.csv') as $row) {
            $substitute = new Substitute(
                $row->reference('item', $this->items, 'item'), $row->reference('component', $this->items, 'item'), $row->reference('substitute', $this->items, 'item'),
                $row->quantity('ratio', self::FINEST, Quantity::ONE), $row->whole('rank', 0, 999_999, 1),
            );
            $row->sound() && $this->substitutes[] = $substitute;
        }
    }

    private function warnOfGaps(): void
    {
        $withLines = array_fill_keys(array_map(fn (BomLine $line) => $line->item, $this->bom), true);
        $offered = array_fill_keys(array_map(fn (SupplierItem $offer) => $offer->item, $this->supplierItems), true);
        foreach ($this->planning as $planning) {
            $line = $this->madeOrBought[$planning->item][$planning->site] ?? null;
            if ($planning->supply === OrderKind::Make && ! isset($withLines[$planning->item])) {
                $this->files->findings->warn('planning.csv', $line, 'supply', "{$planning->item} is made at {$planning->site} but has no structure", 'add its lines to bom.csv');
            }
            if ($planning->supply === OrderKind::Buy && $planning->supplier === null && ! isset($offered[$planning->item])) {
                $this->files->findings->warn('planning.csv', $line, 'supplier', "{$planning->item} is bought for {$planning->site} but has no supplier", 'name one here or in supplier_items.csv');
            }
        }
    }
}
