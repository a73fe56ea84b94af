<?php

declare(strict_types=1);

namespace Yposta\Core\Demand;

use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Network\BucketSize;

/**
 * What a forecast comes to in periods of another size than it is kept in: a bucket is shared out over its working days, in whole steps of
 * the item, so that the shares add up to it; over all its days where it has no working day.
 */
final readonly class ForecastShares
{
    public function __construct(private Calendar $calendar, private BucketSize $size)
    {
    }

    /**
     * @param  int  $start  first day of the bucket
     * @param  int  $qty  millionths
     * @param  int  $step  smallest quantity of the item, millionths
     * @return array<int, int> millionths by first day of each period that has something of it
     */
    public function of(BucketSize $kept, int $start, int $qty, int $step): array
    {
        $end = $kept->endOf($start);
        $days = [];
        for ($day = $start; $day <= $end; $day++) {
            $this->calendar->works($day) && $days[] = $day;
        }
        $days = $days === [] ? range($start, $end) : $days;
        $shares = [];
        $steps = intdiv($qty, $step);
        [$each, $more] = [intdiv($steps, count($days)), $steps % count($days)];
        foreach ($days as $place => $day) {
            $period = $this->size->startOf($day);
            $finer = $place === 0 ? $qty - $steps * $step : 0;
            $shares[$period] = ($shares[$period] ?? 0) + ($each + ($place < $more ? 1 : 0)) * $step + $finer;
        }

        return array_filter($shares);
    }
}
