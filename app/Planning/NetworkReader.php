<?php

declare(strict_types=1);

namespace App\Planning;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\CalendarDay;
use Yposta\Core\Network\CalendarWeek;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\ForecastName;
use Yposta\Core\Network\Item;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\Operation;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderOperation;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\PriceBreak;
use Yposta\Core\Network\PurchaseDocument;
use Yposta\Core\Network\PurchasePrices;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Network\Shift;
use Yposta\Core\Network\Site;
use Yposta\Core\Network\Stock;
use Yposta\Core\Network\Supplier;
use Yposta\Core\Network\SupplierItem;
use Yposta\Core\Network\SupplyAlternative;
use Yposta\Core\Network\WorkCentre;
use Yposta\Core\Reference\Reference;

/** Makes the network of the live data. */
final readonly class NetworkReader
{
    /** So many codes are asked for at once. */
    private const AT_ONCE = 300;

    private Dates $dates;

    public function __construct()
    {
        $this->dates = new Dates;
    }

    public function read(): Network
    {
        $rows = [];
        foreach (Network::classes() as $class) {
            $rows[$class] = $this->rows($class, $this->query($class));
        }
        $rows[Allocation::class] = $this->held($rows[Allocation::class]);

        return Network::ofRows($rows);
    }

    /**
     * Only what is needed to see how sales consume the forecasts of some items.
     *
     * @param  list<string>  $items  codes
     */
    public function demand(array $items): Network
    {
        $forecasts = $sales = [];
        foreach (array_chunk($items, self::AT_ONCE) as $some) {
            array_push($forecasts, ...$this->rows(ForecastBucket::class, $this->query(ForecastBucket::class)->whereIn('item_code', $some)));
            array_push($sales, ...$this->rows(SalesLine::class, $this->query(SalesLine::class)->whereIn('item_code', $some)));
        }

        return Network::of(forecasts: $forecasts, sales: $sales);
    }

    /**
     * Only what is needed to write figures of some items into forecasts.
     *
     * @param  list<string>  $items  codes
     */
    public function forecastsOf(array $items): Network
    {
        $rows = [
            Site::class => $this->rows(Site::class, $this->query(Site::class)),
            ForecastName::class => $this->rows(ForecastName::class, $this->query(ForecastName::class)),
            Item::class => [], ForecastBucket::class => [],
        ];
        foreach (array_chunk($items, self::AT_ONCE) as $some) {
            array_push($rows[Item::class], ...$this->rows(Item::class, $this->query(Item::class)->whereIn('code', $some)));
            array_push($rows[ForecastBucket::class], ...$this->rows(
                ForecastBucket::class, $this->query(ForecastBucket::class)->whereIn('item_code', $some),
            ));
        }

        return Network::ofRows($rows);
    }

    /** Only what is needed to see who can supply an item at a site, and when. */
    public function around(string $item, string $site): Network
    {
        return Network::ofRows([
            CalendarWeek::class => $this->rows(CalendarWeek::class, $this->query(CalendarWeek::class)),
            CalendarDay::class => $this->rows(CalendarDay::class, $this->query(CalendarDay::class)),
            Site::class => $this->rows(Site::class, $this->query(Site::class)),
            Item::class => $this->rows(Item::class, $this->query(Item::class)->where('code', $item)),
            Supplier::class => $this->rows(Supplier::class, $this->query(Supplier::class)),
            SupplierItem::class => $this->rows(SupplierItem::class, $this->query(SupplierItem::class)->where('item_code', $item)),
            Planning::class => $this->rows(
                Planning::class,
                $this->query(Planning::class)->where('item_code', $item)->where('site_code', $site),
            ),
            PriceBreak::class => $this->rows(PriceBreak::class, $this->query(PriceBreak::class)->where('item_code', $item)),
            SupplyAlternative::class => $this->rows(
                SupplyAlternative::class,
                $this->query(SupplyAlternative::class)->where('item_code', $item)->where('site_code', $site),
            ),
            WorkCentre::class => $this->rows(WorkCentre::class, $this->query(WorkCentre::class)),
            Shift::class => $this->rows(Shift::class, $this->query(Shift::class)),
            Operation::class => $this->rows(Operation::class, $this->query(Operation::class)->where('item_code', $item)),
            Stock::class => [Stock::of(item: $item, site: $site, qty: 0)],
        ]);
    }

    /**
     * Only what is needed to see in which ways some items can be supplied.
     *
     * @param  list<string>  $items  codes
     */
    public function ways(array $items): Network
    {
        $items = array_values(array_unique($items));

        return Network::ofRows([
            Supplier::class => $this->rows(Supplier::class, $this->query(Supplier::class)),
            SupplierItem::class => $this->rows(SupplierItem::class, $this->query(SupplierItem::class)->whereIn('item_code', $items)),
            PriceBreak::class => $this->rows(PriceBreak::class, $this->query(PriceBreak::class)->whereIn('item_code', $items)),
            Planning::class => $this->rows(Planning::class, $this->query(Planning::class)->whereIn('item_code', $items)),
            SupplyAlternative::class => $this->rows(
                SupplyAlternative::class, $this->query(SupplyAlternative::class)->whereIn('item_code', $items),
            ),
        ]);
    }

    /** Only what is needed to see what items are made of and cost. */
    public function structures(): Network
    {
        $rows = [];
        foreach ([Item::class, Planning::class, BomLine::class] as $class) {
            $rows[$class] = $this->rows($class, $this->query($class));
        }

        return Network::ofRows($rows);
    }

    /** @param  list<string>  $items  codes */
    public function prices(array $items): PurchasePrices
    {
        return PurchasePrices::ofRows(
            $this->rows(SupplierItem::class, $this->query(SupplierItem::class)->whereIn('item_code', $items)->whereNotNull('price')),
            $this->rows(PriceBreak::class, $this->query(PriceBreak::class)->whereIn('item_code', $items)),
        );
    }

    /** The calendar of a site, or for all together that of the site with the most to plan; every day works where it has none. */
    public function calendarOf(string $site): Calendar
    {
        $busiest = DB::table('planning_data')->groupBy('site_code')->orderByRaw('count(*) desc')->orderBy('site_code')->limit(1)->select('site_code');
        $code = DB::table('sites')->when(
            $site === '', fn (Builder $query) => $query->whereIn('code', DB::query()->fromSub($busiest, 'b')->select('site_code')),
            fn (Builder $query) => $query->where('code', $site),
        )->value('calendar_code');
        if (! is_string($code)) {
            return Calendar::everyDay();
        }

        return Network::ofRows([
            CalendarWeek::class => $this->rows(CalendarWeek::class, $this->query(CalendarWeek::class)->where('code', $code)),
            CalendarDay::class => $this->rows(CalendarDay::class, $this->query(CalendarDay::class)->where('calendar_code', $code)),
        ])->calendars[$code];
    }

    /** The lines of orders that are not over. */
    public static function openLines(): Builder
    {
        return DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->whereNotIn('o.status', ['done', 'cancelled'])
            ->where('l.cancelled', false);
    }

    /**
     * The rows of a kind as a table, whatever tables they stand in; `t` with a column for each of theirs.
     *
     * @param  class-string  $class
     */
    public static function table(string $class): Builder
    {
        return $class === OpenOrder::class
            ? DB::query()->fromSub(self::openLines()->select(['l.*', 'o.kind', 'o.status', 'o.site_code', 'o.supplier_code']), 't')
            : DB::table(Declaration::of($class)->file->table.' as t');
    }

    /** @param  class-string  $class */
    private function query(string $class): Builder
    {
        $declaration = Declaration::of($class);

        return match ($class) {
            OpenOrder::class => self::openLines()->orderBy('l.id')->select(['l.*', 'o.kind', 'o.status', 'o.site_code', 'o.supplier_code']),
            PurchaseDocument::class => self::openLines()->where('o.kind', 'buy')
                ->where(fn (Builder $any) => $any->where('o.is_request', true)->orWhereExists(fn (Builder $other) => $other->from('order_lines as x')
                    ->whereColumn('x.order_id', 'o.id')->whereColumn('x.code', '<>', 'o.code')->where('x.cancelled', false)))->orderBy('l.order_id')
                ->orderBy('l.number')->select(['l.code as order_code', 'o.code as document', 'o.is_request as request']),
            OrderComponent::class => self::openLines()->join('order_components as c', 'c.order_line_id', '=', 'l.id')->orderBy('c.id')
                ->select(['c.*', 'l.code as order_code']),
            OrderOperation::class => self::openLines()->join('order_operations as w', 'w.order_line_id', '=', 'l.id')->orderBy('w.id')
                ->select(['w.*', 'l.code as order_code']),
            default => DB::table($declaration->file->table)->orderBy($declaration->code() === 'code' ? 'code' : 'id'),
        };
    }

    /**
     * @template T of object
     *
     * @param  class-string<T>  $class
     * @return list<T>
     */
    private function rows(string $class, Builder $query): array
    {
        $map = TableMap::of($class, $this->dates);
        $rows = [];
        foreach ($query->cursor() as $row) {
            $rows[] = $map->object($row);
        }

        return $rows;
    }

    /**
     * Without those of an order that is over: they hold nothing any more.
     *
     * @param  list<object>  $rows
     * @return list<Allocation>
     */
    private function held(array $rows): array
    {
        $over = DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->whereIn('o.status', ['done', 'cancelled'])
            ->orWhere('l.cancelled', true)->pluck('l.code', 'l.code')->all();
        $isOver = fn (string $reference) => array_intersect_key($over, array_flip(Reference::tryParse($reference)?->orders() ?? [])) !== [];
        $held = [];
        foreach ($rows as $row) {
            if ($row instanceof Allocation && ! $isOver($row->demand) && ! $isOver($row->supply)) {
                $held[] = $row;
            }
        }

        return $held;
    }
}
