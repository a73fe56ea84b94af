<?php

declare(strict_types=1);

namespace App\Planning;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Bundle\MasterData;
use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\Basis;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\Closure;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\Item;
use Yposta\Core\Network\LotRule;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\Operation;
use Yposta\Core\Network\OperationAlternative;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderOperation;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\Routing;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Network\SetupChange;
use Yposta\Core\Network\Shift;
use Yposta\Core\Network\Site;
use Yposta\Core\Network\Stock;
use Yposta\Core\Network\Substitute;
use Yposta\Core\Network\Supplier;
use Yposta\Core\Network\SupplierItem;
use Yposta\Core\Network\WorkCentre;

/** Makes the network of the live data. */
final readonly class NetworkReader
{
    private Dates $dates;

    public function __construct()
    {
        $this->dates = new Dates;
    }

    public function read(): Network
    {
        return new Network(
            $this->calendars(),
            $this->sites(),
            $this->items(DB::table('items')),
            $this->planning(DB::table('planning_data')),
            $this->bom(DB::table('bom_lines')),
            $this->map(DB::table('substitutes')->orderBy('id'), fn ($row) => new Substitute($row->item_code, $row->component_code, $row->substitute_code, (int) $row->ratio, (int) $row->rank)),
            $this->suppliers(),
            $this->supplierItems(DB::table('supplier_items')),
            $this->map(DB::table('stock')->orderBy('id'), fn ($row) => new Stock($row->item_code, $row->site_code, (int) $row->qty)),
            $this->forecasts(),
            $this->sales(),
            $this->orders(),
            $this->map(
                $this->openLines()->join('order_components as c', 'c.order_line_id', '=', 'l.id')->orderBy('c.id')->select(['l.code', 'c.line', 'c.item_code', 'c.qty', 'c.issued', 'c.need']),
                fn ($row) => new OrderComponent($row->code, $row->line, $row->item_code, (int) $row->qty, (int) $row->issued, $this->dates->dayOrNull($row->need)),
            ),
            $this->allocations(),
            $this->routing(),
        );
    }

    private function routing(): Routing
    {
        return new Routing(
            $this->byCode(DB::table('work_centres'), fn ($row) => new WorkCentre($row->code, $row->name, $row->site_code, $row->kind, (int) $row->units, (int) $row->efficiency, $row->calendar_code)),
            $this->map(DB::table('shifts')->orderBy('id'), fn ($row) => new Shift($row->work_centre_code, $row->weekdays, (int) $row->from_minute, (int) $row->to_minute, self::int($row->units))),
            $this->map(DB::table('closures')->orderBy('id'), fn ($row) => new Closure($row->work_centre_code, $row->from_instant, $row->to_instant, self::int($row->units), $row->reason)),
            $this->map(DB::table('operations')->orderBy('id'), fn ($row) => new Operation(
                $row->item_code, $row->site_code, (int) $row->op, $row->work_centre_code, (int) $row->setup, (int) $row->run, (int) $row->base_qty, (int) $row->queue, (int) $row->move, (int) $row->crew, $row->setup_family,
            )),
            $this->map(DB::table('operation_alternatives')->orderBy('id'), fn ($row) => new OperationAlternative($row->item_code, $row->site_code, (int) $row->op, $row->work_centre_code, (int) $row->speed)),
            $this->map(DB::table('setup_changes')->orderBy('id'), fn ($row) => new SetupChange($row->work_centre_code, $row->from_family, $row->to_family, (int) $row->setup)),
            $this->map(
                $this->openLines()->join('order_operations as w', 'w.order_line_id', '=', 'l.id')->orderBy('w.id')->select(['l.code', 'w.op', 'w.work_centre_code', 'w.setup', 'w.run', 'w.crew', 'w.done', 'w.start_instant', 'w.end_instant', 'w.fixed']),
                fn ($row) => new OrderOperation($row->code, (int) $row->op, $row->work_centre_code, (int) $row->setup, (int) $row->run, (int) $row->crew, (int) $row->done, $row->start_instant, $row->end_instant, (bool) $row->fixed),
            ),
        );
    }

    /** Only what is needed to see how sales consume the forecasts. */
    public function demand(): Network
    {
        return new Network(forecasts: $this->forecasts(), sales: $this->sales());
    }

    /**
     * Only what is needed to make an order for an item at a site: its planning data, and its structure down through phantoms.
     *
     * @param  string|null  $supplier  from whom it is bought, when not as it is planned
     */
    public function around(string $item, string $site, ?string $supplier = null): Network
    {
        $planning = $this->planning(DB::table('planning_data')->where('item_code', $item)->where('site_code', $site));
        if ($supplier !== null) {
            $planning = [Network::key($item, $site) => (array_values($planning)[0] ?? Planning::defaults($item, $site))->boughtFrom($supplier)];
        }
        $lines = [];
        for ($frontier = [$item]; $frontier !== [];) {
            $found = $this->bom(DB::table('bom_lines')->whereIn('item_code', $frontier));
            array_push($lines, ...$found);
            $components = array_values(array_unique(array_map(fn (BomLine $line) => $line->component, $found)));
            $known = array_fill_keys(array_map(fn (BomLine $line) => $line->item, $lines), true);
            $frontier = array_values(array_filter(
                DB::table('items')->whereIn('code', $components)->where('phantom', true)->pluck('code')->all(),
                fn ($code) => is_string($code) && ! isset($known[$code]),
            ));
        }
        $codes = [$item, ...array_map(fn (BomLine $line) => $line->component, $lines)];

        return new Network(
            calendars: $this->calendars(), sites: $this->sites(), items: $this->items(DB::table('items')->whereIn('code', $codes)),
            planning: $planning,
            bom: $lines, suppliers: $this->suppliers(), supplierItems: $this->supplierItems(DB::table('supplier_items')->where('item_code', $item)),
            stock: [new Stock($item, $site, 0)],
        );
    }

    /** The calendar of a site, or for all together that of the site with the most to plan; every day works where it has none. */
    public function calendarOf(string $site): Calendar
    {
        $code = DB::table('sites as s')->leftJoin('planning_data as p', 'p.site_code', '=', 's.code')->when($site !== '', fn (Builder $query) => $query->where('s.code', $site))
            ->groupBy('s.code', 's.calendar_code')->orderByRaw('count(p.id) desc')->orderBy('s.code')->value('s.calendar_code');

        return is_string($code) ? $this->calendars()[$code] : Calendar::everyDay();
    }

    /** @return list<ForecastBucket> */
    private function forecasts(): array
    {
        return $this->map(DB::table('forecast_buckets')->orderBy('id'), fn ($row) => new ForecastBucket(
            $row->forecast, $row->item_code, $row->site_code, BucketSize::from($row->bucket), $this->dates->day($row->start), (int) $row->qty,
        ));
    }

    /** @return list<SalesLine> */
    private function sales(): array
    {
        return $this->map(DB::table('sales_lines')->orderBy('id'), fn ($row) => new SalesLine(
            $row->order_code, $row->line, $row->item_code, $row->site_code, (int) $row->qty, (int) $row->shipped, $this->dates->day($row->due), $row->customer, (int) $row->priority,
        ));
    }

    /** @return array<string, Site> */
    private function sites(): array
    {
        return $this->byCode(DB::table('sites'), fn ($row) => new Site($row->code, $row->name, $row->calendar_code));
    }

    /** @return array<string, Item> */
    private function items(Builder $query): array
    {
        return $this->byCode($query, fn ($row) => new Item($row->code, $row->name, $row->unit, (int) $row->decimals, (bool) $row->phantom, (int) $row->unit_cost));
    }

    /** @return array<string, Supplier> */
    private function suppliers(): array
    {
        return $this->byCode(DB::table('suppliers'), fn ($row) => new Supplier($row->code, $row->name, $row->calendar_code, $row->currency));
    }

    /** @return list<SupplierItem> */
    private function supplierItems(Builder $query): array
    {
        return $this->map($query->orderBy('id'), fn ($row) => new SupplierItem(
            $row->supplier_code, $row->item_code, self::int($row->lead_days), self::int($row->min_qty), self::int($row->multiple), self::int($row->price), $row->their_code, (int) $row->rank,
        ));
    }

    /** @return array<string, Calendar> */
    private function calendars(): array
    {
        $days = [];
        foreach (DB::table('calendar_days')->get() as $row) {
            $days[$row->calendar_code][$this->dates->day($row->date)] = (bool) $row->works;
        }

        return $this->byCode(DB::table('calendars'), fn ($row) => MasterData::calendar($row->code, $row->weekdays, $days[$row->code] ?? []));
    }

    /** @return array<string, Planning> */
    private function planning(Builder $query): array
    {
        $planning = [];
        foreach ($query->orderBy('id')->cursor() as $row) {
            $planning[Network::key($row->item_code, $row->site_code)] = new Planning(
                $row->item_code, $row->site_code, OrderKind::from($row->supply), self::int($row->lead_days), $row->supplier_code, $row->from_site_code, (int) $row->safety_stock,
                (int) $row->safety_days, LotRule::from($row->lot_rule), (int) $row->group_days, self::int($row->fixed_qty), self::int($row->stock_min), self::int($row->stock_max),
                self::int($row->min_qty), self::int($row->multiple), self::int($row->max_qty), (int) $row->frozen_days,
            );
        }

        return $planning;
    }

    /** @return list<BomLine> */
    private function bom(Builder $query): array
    {
        return $this->map($query->orderBy('id'), fn ($row) => new BomLine(
            $row->item_code, $row->site_code, $row->line, $row->component_code, (int) $row->qty, Basis::from($row->basis), (int) $row->base_qty, (int) $row->scrap, (int) $row->offset_days,
            $this->dates->dayOrNull($row->valid_from), $this->dates->dayOrNull($row->valid_to), self::int($row->op),
        ));
    }

    /** @return array<string, OpenOrder> */
    private function orders(): array
    {
        $orders = [];
        foreach ($this->openLines()->orderBy('l.id')->select(['l.*', 'o.kind', 'o.status', 'o.site_code', 'o.supplier_code'])->cursor() as $row) {
            $orders[$row->code] = new OpenOrder(
                $row->code, OrderKind::from($row->kind), OrderStatus::from($row->status), $row->item_code, $row->site_code, $row->from_site_code, $row->supplier_code, (int) $row->qty,
                (int) $row->received, $this->dates->dayOrNull($row->start), $this->dates->day($row->due), (bool) $row->pinned, (int) $row->priority,
            );
        }

        return $orders;
    }

    /**
     * Without those of an order that is over: they hold nothing any more.
     *
     * @return list<Allocation>
     */
    private function allocations(): array
    {
        $over = array_fill_keys(DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->whereIn('o.status', ['done', 'cancelled'])->orWhere('l.cancelled', true)->pluck('l.code')->all(), true);
        $isOver = fn (string $reference) => preg_match('#^(?:order|out):(.+)$|^part:(.+)/[^/]*$#', $reference, $named) === 1 && isset($over[$named[2] ?? $named[1]]);
        $rows = $this->map(DB::table('allocations')->orderBy('id'), fn ($row) => new Allocation($row->demand, $row->supply, (int) $row->qty));

        return array_values(array_filter($rows, fn (Allocation $row) => ! $isOver($row->demand) && ! $isOver($row->supply)));
    }

    private function openLines(): Builder
    {
        return DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->whereNotIn('o.status', ['done', 'cancelled'])->where('l.cancelled', false);
    }

    /**
     * @template T
     *
     * @param  callable(stdClass): T  $make
     * @return array<string, T>
     */
    private function byCode(Builder $query, callable $make): array
    {
        $made = [];
        foreach ($query->orderBy('code')->cursor() as $row) {
            $made[$row->code] = $make($row);
        }

        return $made;
    }

    /**
     * @template T
     *
     * @param  callable(stdClass): T  $make
     * @return list<T>
     */
    private function map(Builder $query, callable $make): array
    {
        $made = [];
        foreach ($query->cursor() as $row) {
            $made[] = $make($row);
        }

        return $made;
    }

    private static function int(mixed $value): ?int
    {
        return is_numeric($value) ? (int) $value : null;
    }
}
