<?php

declare(strict_types=1);

namespace App\Intake;

use App\Reading\Shapes\BroughtDays;
use App\Reading\Shapes\DataEdited;
use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\CalendarDay;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\PutRows;

/** Days off that somebody brings, held against a calendar: what is off already stays as it is. */
final class BroughtHolidays
{
    /** Years before and after that which is looked at. */
    private const BEFORE = 1;

    private const AFTER = 3;

    /** So many are shown. */
    private const SHOWN = 40;

    public static function look(Calendar $calendar, string $text, int $year): BroughtDays
    {
        $file = HolidayFile::read($text, $year - self::BEFORE, $year + self::AFTER);
        [$special, $notes] = [$calendar->exceptions(), $calendar->notes()];
        $rows = $some = [];
        foreach ($file->days as $day => $name) {
            $isOff = ! $calendar->works($day);
            // a day that is off by its weekday needs no row; one that is off by name keeps or gets that
            if ($isOff && (! isset($special[$day]) || ($notes[$day] ?? '') === $name)) {
                continue;
            }
            $rows[] = CalendarDay::of(calendar: $calendar->code, date: $day, works: false, note: $name);
            count($some) < self::SHOWN && $some[] = new DataEdited(Day::format($day), $name);
        }

        return new BroughtDays(
            count($rows), count($file->days) - count($rows), $file->partial, $some,
            $rows === [] ? null : json_encode(ChangeCodec::encode(new PutRows(CalendarDay::class, $rows)), JSON_THROW_ON_ERROR),
        );
    }
}
