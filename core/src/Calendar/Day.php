<?php

declare(strict_types=1);

namespace Yposta\Core\Calendar;

use Yposta\Core\Support\Phrase;

/** Days as whole numbers counted from 1970-01-01, which is day 0. */
final class Day
{
    /** Days before it are none that anybody means. */
    public const FIRST_YEAR = 1900;

    /**
     * @param  string  $text  an ISO date, YYYY-MM-DD, in the years 1900 to 9999
     *
     * @throws InvalidDay when there is no such day
     */
    public static function parse(string $text): int
    {
        if (preg_match('/^(\d{4})-(\d{2})-(\d{2})$/D', $text, $part) !== 1) {
            throw new InvalidDay(new Phrase('day.not_iso', ['text' => mb_substr($text, 0, 30)]));
        }
        if ((int) $part[1] < self::FIRST_YEAR || ! checkdate((int) $part[2], (int) $part[3], (int) $part[1])) {
            throw new InvalidDay(new Phrase('day.none', ['text' => $text]));
        }

        return self::of((int) $part[1], (int) $part[2], (int) $part[3]);
    }

    public static function of(int $year, int $month, int $day): int
    {
        return intdiv((int) gmmktime(0, 0, 0, $month, $day, $year) - ($year < 1970 ? 86399 : 0), 86400);
    }

    public static function format(int $day): string
    {
        return gmdate('Y-m-d', $day * 86400);
    }

    /** 1 for Monday to 7 for Sunday. */
    public static function weekday(int $day): int
    {
        return (($day + 3) % 7 + 7) % 7 + 1;
    }

    /** The Monday of the day's ISO week. */
    public static function weekStart(int $day): int
    {
        return $day - self::weekday($day) + 1;
    }

    /** The first of the day's month. */
    public static function monthStart(int $day): int
    {
        return $day - (int) gmdate('j', $day * 86400) + 1;
    }
}
