<?php

declare(strict_types=1);

namespace Yposta\Core\Demand;

use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Quantity\Factor;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Quantity\QuantityOutOfRange;

/**
 * What figures of another forecast, of a year before or of what was ordered then come to in the periods of a forecast: shared out by
 * {@see ForecastShares}, times a percentage, rounded up to the item's smallest step.
 */
final readonly class ForecastCopy
{
    /** Weeks and days keep their weekday: a year before is so many days before; a month is the same month. */
    private const YEAR_DAYS = 364;

    /**
     * @param  int  $percent  at least 0
     * @param  bool  $yearLater  whether what is copied moves by a year
     */
    public function __construct(private int $percent, private bool $yearLater)
    {
    }

    /**
     * @param  iterable<ForecastBucket>  $buckets  of one item and site
     * @param  BucketSize  $size  of the periods that are filled
     * @param  int  $step  smallest quantity of the item, millionths
     * @return array<int, int> millionths by first day of the period
     *
     * @throws QuantityOutOfRange
     */
    public function ofForecast(iterable $buckets, BucketSize $size, Calendar $calendar, int $step): array
    {
        $shares = new ForecastShares($calendar, $size);
        $sums = [];
        foreach ($buckets as $bucket) {
            // what is kept otherwise moves first, so that it is shared out over the days on which it will be
            $start = $bucket->bucket->startOf($this->moved($bucket->start, $bucket->bucket));
            $parts = $bucket->bucket === $size ? [$start => $bucket->qty] : $shares->of($bucket->bucket, $start, $bucket->qty, $step);
            foreach ($parts as $day => $qty) {
                $sums[$day] = Quantity::checked(($sums[$day] ?? 0) + $qty);
            }
        }

        return $this->times($sums, $step);
    }

    /**
     * @param  iterable<SalesLine>  $lines  of one item and site; each counts by its full quantity, when it was due
     * @return array<int, int> millionths by first day of the period
     *
     * @throws QuantityOutOfRange
     */
    public function ofOrders(iterable $lines, BucketSize $size, int $step): array
    {
        $sums = [];
        foreach ($lines as $line) {
            $day = $size->startOf($this->moved($line->due, $size));
            $sums[$day] = Quantity::checked(($sums[$day] ?? 0) + $line->qty);
        }

        return $this->times($sums, $step);
    }

    private function moved(int $day, BucketSize $size): int
    {
        if (! $this->yearLater) {
            return $day;
        }
        if ($size !== BucketSize::Month) {
            return $day + self::YEAR_DAYS;
        }
        [$year, $month] = explode('-', Day::format($day));

        return Day::parse(sprintf('%04d-%s-01', (int) $year + 1, $month));
    }

    /**
     * @param  array<int, int>  $sums
     * @return array<int, int>
     *
     * @throws QuantityOutOfRange
     */
    private function times(array $sums, int $step): array
    {
        $figures = array_map(fn (int $qty) => Factor::share($qty, $this->percent, 100, $step), $sums);
        ksort($figures);

        return $figures;
    }
}
