<?php

declare(strict_types=1);

namespace App\Intake;

use App\Support\Refused;
use DateTimeInterface;
use Sabre\VObject\Component;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\InvalidDataException;
use Sabre\VObject\ParseException;
use Sabre\VObject\Property;
use Sabre\VObject\Property\ICalendar\DateTime;
use Sabre\VObject\Reader;
use Sabre\VObject\Recur\EventIterator;
use Sabre\VObject\Recur\MaxInstancesExceededException;
use Sabre\VObject\Recur\NoInstancesException;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\InvalidDay;

/** Days off from an iCalendar file (RFC 5545): events of whole days, those that recur too. What is only some hours of a day is left out. */
final readonly class HolidayFile
{
    public const MOST_BYTES = 2_000_000;

    private const MOST_DAYS = 5_000;

    /** Events that recur, and how often one does until it is in the years that are wanted. */
    private const MOST_RECURRING = 200;

    private const MOST_STEPS = 50_000;

    /** @param  array<int, string>  $days  what each is called, by day number */
    private function __construct(public array $days, public int $partial)
    {
    }

    /**
     * @param  int  $from  first year
     * @param  int  $to  last year
     *
     * @throws Refused when it is none, or holds too much
     */
    public static function read(string $text, int $from, int $to): self
    {
        strlen($text) <= self::MOST_BYTES || throw Refused::because('intake.too_large', ['most' => intdiv(self::MOST_BYTES, 1_000_000)], 'file');
        $calendar = self::calendar($text);
        [$first, $last] = [Day::parse("{$from}-01-01"), Day::parse("{$to}-12-31")];
        $days = [];
        $partial = $recurring = 0;
        foreach ($calendar->select('VEVENT') as $event) {
            $start = $event instanceof VEvent ? self::property($event, 'DTSTART') : null;
            if (! $event instanceof VEvent || ! $start instanceof DateTime) {
                continue;
            }
            if ($start->hasTime()) {
                $partial++;

                continue;
            }
            $recurs = self::property($event, 'RRULE') !== null || self::property($event, 'RDATE') !== null;
            $recurring += $recurs ? 1 : 0;
            $recurring <= self::MOST_RECURRING || throw self::tooMany();
            $name = trim(mb_substr((string) self::property($event, 'SUMMARY')?->getValue(), 0, 190));
            $begins = self::dayOf($start->getDateTime());
            if ($begins === null) {
                if ($recurs) {
                    throw self::tooMany();
                }

                continue;
            }
            $lasts = self::lasts($event, $begins);
            foreach ($recurs ? self::again($event, $first - $lasts, $last) : [$begins] as $one) {
                for ($day = max($one, $first); $day < $one + $lasts && $day <= $last; $day++) {
                    $days[$day] = $name;
                    count($days) <= self::MOST_DAYS || throw self::tooMany();
                }
            }
        }
        ksort($days);

        return new self($days, $partial);
    }

    /** @throws Refused */
    private static function calendar(string $text): VCalendar
    {
        try {
            $file = Reader::read($text);
        } catch (ParseException) {
            throw Refused::because('intake.no_calendar', [], 'file');
        }

        return $file instanceof VCalendar ? $file : throw Refused::because('intake.no_calendar', [], 'file');
    }

    /** Of how many days it is. */
    private static function lasts(VEvent $event, int $begins): int
    {
        $end = self::property($event, 'DTEND');
        $ends = $end instanceof DateTime ? self::dayOf($end->getDateTime()) : null;

        return $ends === null ? 1 : max(1, $ends - $begins);
    }

    /**
     * The first days of an event that recurs, within two days.
     *
     * @return iterable<int>
     *
     * @throws Refused when its rule is none, or it begins so long ago that finding out would take long
     */
    private static function again(VEvent $event, int $from, int $to): iterable
    {
        try {
            $all = new EventIterator($event);
            for ($steps = 0; $all->valid(); $all->next()) {
                $day = self::dayOf($all->getDtStart());
                if ($day === null || $day > $to) {
                    return;
                }
                ++$steps <= self::MOST_STEPS || throw self::tooMany();
                if ($day >= $from) {
                    yield $day;
                }
            }
        } catch (InvalidDataException|MaxInstancesExceededException|NoInstancesException) {
            throw Refused::because('intake.no_calendar', [], 'file');
        }
    }

    /** Null where it lies beyond all that is planned. */
    private static function dayOf(DateTimeInterface $at): ?int
    {
        try {
            return Day::parse($at->format('Y-m-d'));
        } catch (InvalidDay) {
            return null;
        }
    }

    private static function tooMany(): Refused
    {
        return Refused::because('intake.too_many_days', ['most' => self::MOST_DAYS], 'file');
    }

    private static function property(Component $event, string $name): ?Property
    {
        $found = $event->select($name)[0] ?? null;

        return $found instanceof Property ? $found : null;
    }
}
