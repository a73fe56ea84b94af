<?php

declare(strict_types=1);

namespace Yposta\Core\Calendar;

/** Minutes of the site's clock as whole numbers, counted from the midnight before 1970-01-01. Every day has 1440 of them. */
final class Minute
{
    public const DAY = 1440;

    /** @param  string  $instant  `YYYY-MM-DD HH:MM`, a minute that there is */
    public static function parse(string $instant): int
    {
        return Day::parse(substr($instant, 0, 10)) * self::DAY + (int) substr($instant, 11, 2) * 60 + (int) substr($instant, 14, 2);
    }

    public static function format(int $minute): string
    {
        $day = self::day($minute);
        $left = $minute - $day * self::DAY;

        return Day::format($day).' '.self::clock($left);
    }

    /** `HH:MM` of minutes from midnight; 24:00 is the end of the day. */
    public static function clock(int $minutes): string
    {
        return sprintf('%02d:%02d', intdiv($minutes, 60), $minutes % 60);
    }

    /** The day that a minute lies in. */
    public static function day(int $minute): int
    {
        return intdiv($minute - ($minute < 0 ? self::DAY - 1 : 0), self::DAY);
    }
}
