<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\Run;
use App\Planning\Dates;
use App\Planning\NetworkReader;
use App\Planning\RunParameters;
use App\Reading\Shapes\ForecastCell;
use App\Reading\Shapes\ForecastRow;
use App\Reading\Shapes\ForecastRows;
use App\Reading\Shapes\SalesRow;
use App\Reading\Shapes\SalesRows;
use App\Reading\Shapes\Strip;
use App\Support\Settings;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Demand\ForecastConsumption;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;

/** Sales lines with their cover, and the forecasts with what orders have consumed of them. */
final readonly class DemandView
{
    public const MOST_PERIODS = 26;

    /** Items of a forecast that come at once. */
    private const FORECASTS = 60;

    private Dates $dates;

    public function __construct(private ?StoredPlan $plan, private NetworkReader $reader)
    {
        $this->dates = new Dates;
    }

    /** Names of the columns that the sales lines can be sorted by, and what they are sorted by. */
    public const SORTED = [
        'order' => 'l.order_code', 'customer' => 'l.customer', 'item' => 'l.item_code', 'site' => 'l.site_code',
        'open' => 'l.qty - l.shipped', 'due' => 'l.due', 'priority' => 'l.priority', 'cover' => 'd.uncovered', 'expected' => 'd.expected',
        'late' => 'case when d.original_date is null then d.late_days else 100000 + d.late_days end',
    ];

    /**
     * Open sales lines, by due date or as asked; with the cover that the live plan gives them.
     *
     * @param  int  $from  place in the list
     */
    public function sales(SalesFilter $filter, ListOrder $order, int $from = 0, int $rows = ListOrder::ROWS): SalesRows
    {
        ['site' => $site, 'text' => $text, 'late' => $onlyLate, 'by' => $by] = get_object_vars($filter);
        $query = DB::table('sales_lines as l')->whereColumn('l.shipped', '<', 'l.qty')
            ->where(fn (Builder $query) => $query->whereNull('l.held_until')->orWhere('l.held_until', '>=', Settings::planDate()))
            ->when($site !== '', fn (Builder $query) => $query->where('l.site_code', $site))
            ->when($text !== '', fn (Builder $query) => TextMatch::in($query, ['l.order_code', 'l.customer', 'l.item_code'], $text));
        $all = (clone $query)->count();
        $query->join('items as i', 'i.code', '=', 'l.item_code')
            ->leftJoin('plan_demands as d', fn (JoinClause $join) => $join->on('d.name', '=', 'l.order_code')->on('d.line', '=', 'l.line')
                ->where('d.run_id', $this->plan->run->id ?? 0)->where('d.kind', 'sales'));
        $late = StoredPlan::late(clone $query)->count();
        $onlyLate && StoredPlan::late($query);
        $total = $onlyLate ? $late : $all;
        $by !== '' && $by !== 'week' && $query->orderBy(self::SORTED[$by]);
        $by === 'week' && $query->orderByRaw(self::weekOf('l.due'));
        $lines = $order->apply($query, self::SORTED)
            ->orderBy('l.due')->orderBy('l.priority')->orderBy('l.order_code')->orderBy('l.id')
            ->offset($from)->limit($rows)->get(['l.*', 'i.name', 'i.unit', 'i.decimals', 'd.n']);
        $shown = array_values($lines->pluck('n')->filter(fn ($n) => $n !== null)->map(fn ($n) => (int) $n)->all());
        $pegs = $this->plan === null ? [] : $this->plan->pegsOfDemands($shown);

        return new SalesRows(array_values($lines->map(fn (stdClass $line) => $this->line($line, $pegs, $by))->all()), $total, $late);
    }

    /** The Monday of a day, in both databases. */
    private static function weekOf(string $column): string
    {
        return DB::getDriverName() === 'pgsql'
            ? "date_trunc('week', {$column}::date)"
            : "date({$column}, '-6 days', 'weekday 1')";
    }

    /** @param  array<int, list<Peg>>  $pegs  by number of the demand */
    private function line(stdClass $line, array $pegs, string $by): SalesRow
    {
        $due = substr($line->due, 0, 10);
        $demand = $line->n === null ? null : $this->plan?->demandNumbered((int) $line->n);

        return new SalesRow(
            reference: (string) Reference::sales($line->order_code, $line->line),
            order: $line->order_code,
            line: $line->line,
            customer: $line->customer,
            item: $line->item_code,
            name: $line->name,
            site: $line->site_code,
            unit: $line->unit,
            decimals: (int) $line->decimals,
            open: Quantity::format((int) $line->qty - (int) $line->shipped),
            shipped: Quantity::format((int) $line->shipped),
            due: $due,
            priority: (int) $line->priority,
            expected: $this->dates->isoOrNull($demand?->expected),
            lateDays: $demand?->daysPastDue() ?? 0,
            reason: $demand === null ? null : $this->plan->holdUpOf($demand) ?? self::passed($demand),
            strip: $demand === null ? null : $this->strip($demand, $pegs[(int) $line->n] ?? []),
            heldUntil: $line->held_until === null ? null : substr($line->held_until, 0, 10),
            answered: $line->answered === null ? null : substr($line->answered, 0, 10),
            group: match ($by) {
                'customer' => $line->customer,
                'item' => "{$line->item_code} {$line->name}",
                'site' => $line->site_code,
                'week' => Day::format(Day::weekStart(Day::parse($due))),
                default => '',
            },
        );
    }

    /** Why a line is late that waits for nothing any more. */
    private static function passed(Demand $demand): ?string
    {
        return $demand->originalDate === null ? null : (string) trans('its date has passed');
    }

    /** @param  list<Peg>  $pegs */
    private function strip(Demand $demand, array $pegs): ?Strip
    {
        return $this->plan === null ? null : (new Describe($this->plan))->strip($demand, $pegs);
    }

    /** @return list<string> */
    public function forecastNames(): array
    {
        return array_values(array_map(
            strval(...),
            DB::table('forecast_buckets')->distinct()->orderBy('forecast')->pluck('forecast')->all(),
        ));
    }

    /**
     * A forecast as a grid of items and periods, by item and site, with what the sales lines of today consume of it.
     *
     * @param  int  $from  place in the list
     */
    public function forecast(string $name, string $site, string $text, int $from = 0): ForecastRows
    {
        $points = DB::table('forecast_buckets as f')->join('items as i', 'i.code', '=', 'f.item_code')->where('f.forecast', $name)
            ->when($site !== '', fn (Builder $query) => $query->where('f.site_code', $site))
            ->when($text !== '', fn (Builder $query) => TextMatch::in($query, ['f.item_code'], $text))
            ->groupBy('f.item_code', 'f.site_code', 'i.name', 'i.unit', 'i.decimals');
        $total = DB::query()->fromSub((clone $points)->select('f.item_code'), 'points')->count();
        $shown = $points->orderBy('f.item_code')->orderBy('f.site_code')->offset($from)->limit(self::FORECASTS)
            ->get(['f.item_code', 'f.site_code', 'i.name', 'i.unit', 'i.decimals']);
        $items = array_values($shown->pluck('item_code')->unique()->map(strval(...))->all());
        $left = $this->left($items);
        $cells = DB::table('forecast_buckets')->where('forecast', $name)->whereIn('item_code', $items)->get()
            ->groupBy(fn ($cell) => Network::key($cell->item_code, $cell->site_code));
        $periods = [];
        $rows = [];
        foreach ($shown as $point) {
            $key = Network::key($point->item_code, $point->site_code);
            $own = array_values($cells->get($key, collect())->all());
            $bucket = BucketSize::from($own[0]->bucket);
            $periods[$bucket->value] ??= $this->periods($bucket->value, Settings::planDate());
            $rows[] = $this->forecastRow($name, $point, $bucket, $periods[$bucket->value], $own, $left["{$key}\x1f{$name}"] ?? []);
        }

        return new ForecastRows($rows, $total);
    }

    /**
     * @param  list<string>  $periods  starts
     * @param  list<stdClass>  $cells  of the forecast's buckets
     * @param  array<string, int>  $left  what orders leave of them, millionths by start
     */
    private function forecastRow(
        string $name,
        stdClass $point,
        BucketSize $bucket,
        array $periods,
        array $cells,
        array $left,
    ): ForecastRow {
        $byStart = [];
        foreach ($cells as $cell) {
            $byStart[substr($cell->start, 0, 10)] = $cell;
        }

        return new ForecastRow(
            forecast: $name,
            item: $point->item_code,
            site: $point->site_code,
            name: $point->name,
            unit: $point->unit,
            decimals: (int) $point->decimals,
            bucket: $bucket,
            cells: array_map(function (string $start) use ($byStart, $left): ForecastCell {
                $cell = $byStart[$start] ?? null;
                $qty = (int) ($cell->qty ?? 0);
                $remaining = $left[$start] ?? $qty;

                return new ForecastCell(
                    $cell === null ? null : (int) $cell->id, $start, Quantity::format($qty),
                    Quantity::format($qty - $remaining), Quantity::format($remaining), (int) ($cell->version ?? 0),
                );
            }, $periods),
        );
    }

    /**
     * What orders leave of the forecasts of some items.
     *
     * @param  list<string>  $items  codes
     * @return array<string, array<string, int>> millionths by point and forecast, then by start
     */
    private function left(array $items): array
    {
        $parameters = Run::live()->parameters ?? [...Settings::get(Settings::RUN_DEFAULTS, []), 'planDate' => Settings::planDate()];
        $left = [];
        foreach ((new ForecastConsumption(RunParameters::options($parameters)))->remaining($this->reader->demand($items)) as $remaining) {
            $bucket = $remaining->bucket;
            $left[Network::key($bucket->item, $bucket->site)."\x1f{$bucket->forecast}"][$this->dates->iso($bucket->start)] = $remaining->left;
        }

        return $left;
    }

    /** @return list<string> starts of the periods shown, from the plan date's on */
    public function periods(string $bucket, string $planDate): array
    {
        $size = BucketSize::from($bucket);
        $starts = [];
        $most = $bucket === 'month' ? 12 : self::MOST_PERIODS;
        for ($day = $size->startOf($this->dates->day($planDate)); count($starts) < $most; $day = $size->endOf($day) + 1) {
            $starts[] = $this->dates->iso($day);
        }

        return $starts;
    }
}
