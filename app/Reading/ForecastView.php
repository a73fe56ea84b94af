<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\Run;
use App\Planning\Dates;
use App\Planning\ForecastSpan;
use App\Planning\NetworkReader;
use App\Planning\RunParameters;
use App\Reading\Shapes\ForecastHeading;
use App\Reading\Shapes\ForecastPeriod;
use App\Reading\Shapes\ForecastRow;
use App\Reading\Shapes\ForecastRows;
use App\Support\Settings;
use App\Support\Stored;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Demand\ForecastConsumption;
use Yposta\Core\Demand\ForecastShares;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Quantity;

/** A forecast as a grid of items and periods, with what the sales lines of today consume of it. */
final class ForecastView
{
    /** Items that come at once, and the most that may be asked for. */
    public const ROWS = 60;

    public const MOST_ROWS = 600;

    private readonly Dates $dates;

    private readonly ForecastSpan $span;

    private readonly BucketSize $size;

    /** @var array<string, Calendar> by site */
    private array $calendars = [];

    /** @param  BucketSize|null  $size  in which it is shown; null for what it is kept in */
    public function __construct(private readonly NetworkReader $reader, private readonly string $forecast, ?BucketSize $size)
    {
        $this->dates = new Dates;
        $this->span = new ForecastSpan(ForecastSpan::heading($forecast), $this->dates->day(Settings::planDate()));
        $this->size = $size ?? ForecastSpan::kept($forecast);
    }

    /** @return list<string> codes of all forecasts, with figures or only named */
    public static function names(): array
    {
        $names = DB::table('forecast_buckets')->select('forecast')->distinct()
            ->union(DB::table('forecast_names')->select('code'))->pluck('forecast')->map(Stored::text(...))->all();
        sort($names, SORT_STRING);

        return $names;
    }

    /** @return list<ForecastHeading> */
    public static function headings(): array
    {
        $counted = (array) (Run::live()->parameters['forecasts'] ?? []);

        return array_map(function (string $code) use ($counted): ForecastHeading {
            $heading = ForecastSpan::heading($code);
            $dates = new Dates;

            return new ForecastHeading(
                $code, $heading->purpose ?? '', $dates->isoOrNull($heading?->begins), $dates->isoOrNull($heading?->ends),
                ForecastSpan::kept($code),
                in_array($code, $counted, true),
            );
        }, self::names());
    }

    public function size(): BucketSize
    {
        return $this->size;
    }

    /** @return list<ForecastPeriod> */
    public function periods(): array
    {
        return array_map(
            fn (int $start) => new ForecastPeriod(
                $this->dates->iso($start), $this->dates->iso($this->size->endOf($start)), $this->span->isOpen($start, $this->size),
            ),
            $this->span->starts($this->size),
        );
    }

    /**
     * Its items by code and site.
     *
     * @param  int  $from  place in the list
     */
    public function rows(string $site, string $text, int $from = 0, int $count = self::ROWS): ForecastRows
    {
        $points = $this->points()->when($site !== '', fn (Builder $query) => $query->where('f.site_code', $site))
            ->when($text !== '', fn (Builder $query) => TextMatch::in($query, ['f.item_code', 'i.name'], $text));
        $total = DB::query()->fromSub((clone $points)->select('f.item_code'), 'points')->count();

        return new ForecastRows($this->of($points->offset($from)->limit(min($count, self::MOST_ROWS))->get()), $total);
    }

    /**
     * Some of them.
     *
     * @param  list<array{string, string}>  $points  item and site
     */
    public function rowsOf(array $points): ForecastRows
    {
        $wanted = array_map(fn (array $point) => Network::key(...$point), $points);
        $found = $this->points()->whereIn('f.item_code', array_column($points, 0))->get()
            ->filter(fn (stdClass $point) => in_array(Network::key($point->item_code, $point->site_code), $wanted, true))->values();

        return new ForecastRows($this->of($found), $found->count());
    }

    private function points(): Builder
    {
        return DB::table('forecast_buckets as f')->join('items as i', 'i.code', '=', 'f.item_code')->where('f.forecast', $this->forecast)
            ->groupBy('f.item_code', 'f.site_code', 'i.name', 'i.unit', 'i.decimals')->orderBy('f.item_code')->orderBy('f.site_code')
            ->select(['f.item_code', 'f.site_code', 'i.name', 'i.unit', 'i.decimals']);
    }

    /**
     * @param  Collection<int, stdClass>  $points
     * @return list<ForecastRow>
     */
    private function of(Collection $points): array
    {
        $items = array_values($points->pluck('item_code')->unique()->map(strval(...))->all());
        $left = $this->left($items);
        $cells = [];
        foreach (array_chunk($items, 300) as $some) {
            foreach (DB::table('forecast_buckets')->where('forecast', $this->forecast)->whereIn('item_code', $some)->get() as $cell) {
                $cells[Network::key($cell->item_code, $cell->site_code)][] = $cell;
            }
        }
        $places = array_flip(array_map(fn (ForecastPeriod $period) => $this->dates->day($period->start), $this->periods()));
        $rows = [];
        foreach ($points as $point) {
            $key = Network::key($point->item_code, $point->site_code);
            $rows[] = $this->row($point, $cells[$key] ?? [], $left["{$key}\x1f{$this->forecast}"] ?? [], $places);
        }

        return $rows;
    }

    /**
     * @param  list<stdClass>  $cells  what is kept of it
     * @param  array<int, int>  $left  what orders leave of that, millionths by start
     * @param  array<int, int>  $places  of the periods by their first day
     */
    private function row(stdClass $point, array $cells, array $left, array $places): ForecastRow
    {
        $sizes = array_values(array_unique(array_map(fn (stdClass $cell) => Stored::text($cell->bucket), $cells)));
        $qty = $rest = $versions = array_fill(0, count($places), 0);
        foreach ($cells as $cell) {
            $start = $this->dates->day($cell->start);
            $kept = BucketSize::from($cell->bucket);
            foreach ($this->shares($point, $kept, $start, (int) $cell->qty) as $day => $share) {
                isset($places[$day]) && $qty[$places[$day]] += $share;
            }
            foreach ($this->shares($point, $kept, $start, $left[$start] ?? (int) $cell->qty) as $day => $share) {
                isset($places[$day]) && $rest[$places[$day]] += $share;
            }
            isset($places[$start]) && $versions[$places[$start]] = (int) $cell->version;
        }

        [$qty, $rest, $versions] = [array_values($qty), array_values($rest), array_values($versions)];

        return new ForecastRow(
            item: $point->item_code,
            site: $point->site_code,
            name: $point->name,
            unit: $point->unit,
            decimals: (int) $point->decimals,
            bucket: BucketSize::from($sizes[0] ?? $this->size->value),
            isTyped: $sizes === [$this->size->value],
            qty: array_map(Quantity::format(...), $qty),
            consumed: array_map(fn (int $all, int $left) => Quantity::format($all - $left), $qty, $rest),
            left: array_map(Quantity::format(...), $rest),
            versions: $versions,
        );
    }

    /** @return array<int, int> millionths by first day of the period */
    private function shares(stdClass $point, BucketSize $kept, int $start, int $qty): array
    {
        if ($kept === $this->size) {
            return [$start => $qty];
        }
        $site = Stored::text($point->site_code);
        $calendar = $this->calendars[$site] ??= $this->reader->calendarOf($site);

        return (new ForecastShares($calendar, $this->size))->of($kept, $start, $qty, Quantity::step((int) $point->decimals));
    }

    /**
     * What orders leave of the forecasts of some items.
     *
     * @param  list<string>  $items  codes
     * @return array<string, array<int, int>> millionths by point and forecast, then by start
     */
    private function left(array $items): array
    {
        $parameters = Run::live()->parameters ?? [...Settings::get(Settings::RUN_DEFAULTS, []), 'planDate' => Settings::planDate()];
        $left = [];
        foreach ((new ForecastConsumption(RunParameters::options($parameters)))->remaining($this->reader->demand($items)) as $remaining) {
            $bucket = $remaining->bucket;
            $left[Network::key($bucket->item, $bucket->site)."\x1f{$bucket->forecast}"][$bucket->start] = $remaining->left;
        }

        return $left;
    }
}
