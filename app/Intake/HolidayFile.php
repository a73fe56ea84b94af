<?php

declare(strict_types=1);

namespace App\Intake;

use App\Support\Refused;
use DateTimeImmutable;
use DateTimeZone;
use Sabre\VObject\Component;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\InvalidDataException;
use Sabre\VObject\ParseException;
use Sabre\VObject\Property;
use Sabre\VObject\Property\ICalendar\DateTime;
use Sabre\VObject\Reader;
use Sabre\VObject\Recur\MaxInstancesExceededException;
use Yposta\Core\Calendar\Day;

/** Days off from an iCalendar file (RFC 5545): events of whole days, those that recur too. What is only some hours of a day is left out. */
final readonly class HolidayFile
{
    public const MOST_BYTES = 2_000_000;

    private const MOST_DAYS = 5_000;

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
        try {
            $file = Reader::read($text);
            $file instanceof VCalendar || throw Refused::because('intake.no_calendar', [], 'file');
            $expanded = $file->expand(
                new DateTimeImmutable("{$from}-01-01 00:00:00", new DateTimeZone('UTC')),
                new DateTimeImmutable(($to + 1).'-01-01 00:00:00', new DateTimeZone('UTC')),
            );
        } catch (ParseException|InvalidDataException|MaxInstancesExceededException) {
            throw Refused::because('intake.no_calendar', [], 'file');
        }
        $days = [];
        $partial = 0;
        foreach ($expanded->select('VEVENT') as $event) {
            if (! $event instanceof Component) {
                continue;
            }
            [$start, $end, $summary] = [self::property($event, 'DTSTART'), self::property($event, 'DTEND'), self::property($event, 'SUMMARY')];
            if (! $start instanceof DateTime) {
                continue;
            }
            if ($start->hasTime()) {
                $partial++;

                continue;
            }
            $name = trim(mb_substr((string) $summary?->getValue(), 0, 190));
            $first = Day::parse($start->getDateTime()->format('Y-m-d'));
            $last = $end instanceof DateTime ? Day::parse($end->getDateTime()->format('Y-m-d')) - 1 : $first;
            for ($day = $first; $day <= max($first, $last); $day++) {
                $days[$day] = $name;
                count($days) <= self::MOST_DAYS || throw Refused::because('intake.too_many_days', ['most' => self::MOST_DAYS], 'file');
            }
        }
        ksort($days);

        return new self($days, $partial);
    }

    private static function property(Component $event, string $name): ?Property
    {
        $found = $event->select($name)[0] ?? null;

        return $found instanceof Property ? $found : null;
    }
}
