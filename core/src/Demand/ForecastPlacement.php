<?php

declare(strict_types=1);

namespace Yposta\Core\Demand;

use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Options\Options;

/** Puts what is left of a forecast bucket on days (section 4): on its start, or spread over its working days. */
final readonly class ForecastPlacement
{
    public function __construct(private Options $options)
    {
    }

    /**
     * @param  int  $step  smallest quantity of the item, millionths
     * @return list<array{key: int, date: int, qty: int}> the day that names the part, the day it is needed, millionths
     */
    public function place(RemainingForecast $forecast, Calendar $calendar, int $step): array
    {
        $start = $forecast->bucket->start;
        $end = $forecast->bucket->bucket->endOf($start);
        if ($forecast->left === 0 || $end < $this->options->planDate) {
            return [];
        }
        $days = [];
        if ($this->options->spread && $forecast->bucket->bucket !== BucketSize::Day) {
            for ($day = max($start, $this->options->planDate); $day <= $end; $day++) {
                $calendar->works($day) && $days[] = $day;
            }
        }
        if ($days === []) {
            return [['key' => $start, 'date' => max($calendar->forward($start, 0), $this->options->planDate), 'qty' => $forecast->left]];
        }
        $steps = intdiv($forecast->left, $step);
        $share = intdiv($steps, count($days));
        $more = $steps % count($days);
        $parts = [];
        foreach ($days as $place => $day) {
            $qty = ($share + ($place < $more ? 1 : 0)) * $step;
            $qty === 0 || $parts[] = ['key' => $day, 'date' => $day, 'qty' => $qty];
        }

        return $parts;
    }
}
