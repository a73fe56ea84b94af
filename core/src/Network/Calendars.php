<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use InvalidArgumentException;
use Yposta\Core\Calendar\Calendar;

/** Calendars as the rows in which they are kept, and back. */
final class Calendars
{
    /**
     * @param  list<object>  $weeks  of {@see CalendarWeek}
     * @param  list<object>  $days  of {@see CalendarDay}
     * @return array<string, Calendar> by code
     *
     * @throws InvalidArgumentException when one has no working day
     */
    public static function of(array $weeks, array $days): array
    {
        $works = $notes = [];
        foreach ($days as $day) {
            if ($day instanceof CalendarDay) {
                $works[$day->calendar][$day->date] = $day->works;
                $day->note === '' || $notes[$day->calendar][$day->date] = $day->note;
            }
        }
        $calendars = [];
        foreach ($weeks as $week) {
            if ($week instanceof CalendarWeek) {
                $calendars[$week->code] = Calendar::ofPattern(
                    $week->code, $week->weekdays, $works[$week->code] ?? [], $notes[$week->code] ?? [],
                );
            }
        }

        return $calendars;
    }

    /**
     * @param  array<string, Calendar>  $calendars
     * @return list<CalendarWeek>
     */
    public static function weeks(array $calendars): array
    {
        return array_values(array_map(
            fn (Calendar $calendar) => CalendarWeek::of(code: $calendar->code, weekdays: $calendar->pattern()),
            $calendars,
        ));
    }

    /**
     * @param  array<string, Calendar>  $calendars
     * @return list<CalendarDay>
     */
    public static function days(array $calendars): array
    {
        $rows = [];
        foreach ($calendars as $calendar) {
            $notes = $calendar->notes();
            foreach ($calendar->exceptions() as $day => $works) {
                $rows[] = CalendarDay::of(calendar: $calendar->code, date: $day, works: $works, note: $notes[$day] ?? '');
            }
        }

        return $rows;
    }
}
