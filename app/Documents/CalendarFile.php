<?php

declare(strict_types=1);

namespace App\Documents;

use DateTimeImmutable;
use Sabre\VObject\Component\VCalendar;
use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Calendar\Day;

/** The special days of a calendar as an iCalendar (RFC 5545), one event for each. */
final class CalendarFile
{
    public static function of(Calendar $calendar): string
    {
        $file = new VCalendar(['PRODID' => '-//Yposta//Working days//EN', 'X-WR-CALNAME' => $calendar->code]);
        $notes = $calendar->notes();
        foreach ($calendar->exceptions() as $day => $works) {
            $date = new DateTimeImmutable(Day::format($day));
            $said = (string) trans($works ? 'worked' : 'closed');
            $event = $file->createComponent('VEVENT', [
                'UID' => "{$calendar->code}-".Day::format($day).'@yposta', 'SUMMARY' => ($notes[$day] ?? '') === '' ? $said : $notes[$day],
                'CATEGORIES' => $said, 'TRANSP' => 'TRANSPARENT',
            ]);
            $event->add('DTSTART', $date, ['VALUE' => 'DATE']);
            $event->add('DTEND', $date->modify('+1 day'), ['VALUE' => 'DATE']);
            $file->add($event);
        }

        return $file->serialize();
    }
}
