<?php

declare(strict_types=1);

namespace Yposta\Core\Wording;

use Yposta\Core\Support\Phrase;

/** Weekdays in words: "Mon to Fri" where they follow each other, else "Mon, Wed". */
final class WeekdayNames
{
    /** @param  string  $weekdays  as digits from 1 (Monday) */
    public static function of(string $weekdays): Phrase
    {
        $days = str_split($weekdays);
        sort($days);
        $names = array_map(fn (string $day) => new Phrase("weekday.{$day}"), $days);
        $last = count($days) - 1;

        return $last > 1 && (int) $days[$last] - (int) $days[0] === $last
            ? new Phrase('weekdays_row', ['first' => $names[0], 'last' => $names[$last]])
            : new Phrase('weekdays', ['days' => $names]);
    }
}
