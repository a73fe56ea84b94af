<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Calendar\Day;

/** The stretch of time that a forecast or a record sums up: a day, an ISO week from Monday, a calendar month. */
enum BucketSize: string
{
    case Day = 'day';
    case Week = 'week';
    case Month = 'month';

    /** The first day of the bucket that holds a day. */
    public function startOf(int $day): int
    {
        return match ($this) {
            self::Day => $day,
            self::Week => Day::weekStart($day),
            self::Month => Day::monthStart($day),
        };
    }

    /** The last day of the bucket that holds a day. */
    public function endOf(int $day): int
    {
        return match ($this) {
            self::Day => $day,
            self::Week => Day::weekStart($day) + 6,
            self::Month => Day::monthStart(Day::monthStart($day) + 31) - 1,
        };
    }
}
