<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\ForecastGround;
use App\Planning\ForecastSpan;
use App\Planning\NetworkReader;
use App\Support\Idempotency;
use App\Support\Refused;
use App\Support\Words;
use App\Support\WriteTurn;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Demand\ForecastCopy;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Support\Phrase;

/** Fills the open periods of a forecast with figures of another, of itself a year before, or of what was ordered a year before. */
final readonly class CopyForecast
{
    /** Where figures come from. */
    public const SOURCES = ['forecast', 'year', 'ordered'];

    public function __construct(private WriteForecast $write, private NetworkReader $reader)
    {
    }

    /**
     * @param  value-of<self::SOURCES>  $source
     * @param  string  $from  the other forecast, where it is one
     * @param  list<array{string, string}>  $points  item and site to which it is kept; empty for all that the source has
     * @param  int  $percent  of the source's figures
     * @param  bool  $sure  whether the person has seen which of them are far from what stood there
     * @return array<string, mixed> ForecastWritten
     *
     * @throws Refused when there is nothing to copy
     */
    public function __invoke(
        string $forecast, string $source, string $from, array $points, int $percent, bool $sure, string $key, User $by,
    ): array {
        $from = $source === 'forecast' ? $from : $forecast;
        $source === 'forecast' && $from === $forecast && throw Refused::because('forecast.itself', [], 'source');

        return Idempotency::once($key, 'copy forecast', $by, function () use ($forecast, $source, $from, $points, $percent, $sure, $by): array {
            WriteTurn::take();
            $isOrdered = $source === 'ordered';
            $items = $points !== [] ? array_column($points, 0) : DB::table('forecast_buckets')->where('forecast', $from)->pluck('item_code')->all();
            $items = array_values(array_unique(array_map(strval(...), $items)));
            $ground = ForecastGround::of($forecast, $items, $this->reader);
            $sources = [];
            foreach ($isOrdered ? $this->reader->demand($items)->sales : $ground->network->forecasts as $row) {
                if ($row instanceof SalesLine || $row->forecast === $from) {
                    $sources[Network::key($row->item, $row->site)][] = $row;
                }
            }
            $wanted = $points === [] ? null : array_flip(array_map(fn (array $point) => Network::key(...$point), $points));
            // what was ordered of an item at a site that the forecast does not have is no part of it
            $wanted ??= $isOrdered ? $ground->sizes : null;
            $sources = $wanted === null ? $sources : array_intersect_key($sources, $wanted);
            try {
                $rows = $this->rows($ground, $sources, new ForecastCopy($percent, $source !== 'forecast'));
            } catch (QuantityOutOfRange $trouble) {
                throw Refused::because('forecast.wrong', ['trouble' => $trouble->phrase()], 'quantity');
            }
            $rows === [] && throw Refused::because("forecast.no_source.{$source}", ['from' => $from], 'none');

            return ($this->write)($ground, $rows, $by, $sure, new Phrase('journal.forecast_copied', [
                'forecast' => $forecast, 'count' => count($rows), 'percent' => $percent, 'from' => Words::say(new Phrase("journal.forecast_source.{$source}", ['from' => $from])),
            ]));
        });
    }

    /**
     * @param  array<string, non-empty-list<ForecastBucket|SalesLine>>  $sources  by {@see Network::key()}
     * @return list<ForecastBucket>
     */
    private function rows(ForecastGround $ground, array $sources, ForecastCopy $copy): array
    {
        $usual = ForecastSpan::kept($ground->forecast);
        $calendars = $rows = $last = [];
        foreach ($sources as $point => $list) {
            [$item, $site] = explode("\x1f", $point);
            $size = $ground->sizes[$point] ?? ($ground->sizes === [] && $list[0] instanceof ForecastBucket ? $list[0]->bucket : $usual);
            // as far as the grid shows it, so that nothing is written that nobody sees
            $last[$size->value] ??= max($ground->span->starts($size));
            $calendars[$site] ??= $this->reader->calendarOf($site);
            foreach ($this->figures($copy, $list, $size, $calendars[$site], $ground->item($item)?->step() ?? 1) as $start => $qty) {
                if ($ground->span->isOpen($start, $size) && $start <= $last[$size->value]) {
                    $rows[] = ForecastBucket::of(
                        forecast: $ground->forecast, item: $item, site: $site, bucket: $size, start: $start, qty: $qty,
                    );
                }
            }
        }

        return $rows;
    }

    /**
     * @param  non-empty-list<ForecastBucket|SalesLine>  $list  of one point
     * @return array<int, int> millionths by first day
     */
    private function figures(ForecastCopy $copy, array $list, BucketSize $size, Calendar $calendar, int $step): array
    {
        $lines = array_filter($list, fn (object $row) => $row instanceof SalesLine);

        return $lines !== []
            ? $copy->ofOrders($lines, $size, $step)
            : $copy->ofForecast(array_filter($list, fn (object $row) => $row instanceof ForecastBucket), $size, $calendar, $step);
    }
}
