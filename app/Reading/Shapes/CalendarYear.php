<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A calendar over a year, with what the draft has changed of it. */
final readonly class CalendarYear
{
    /**
     * @param  string  $weekdays  on which it works, Monday as 1
     * @param  list<list<CalendarDate>>  $months
     * @param  int  $workingDays  of the year
     * @param  list<string>  $usedBy  what works by it
     * @param  list<string>  $others  codes of all calendars
     */
    public function __construct(
        public string $code,
        public int $year,
        public string $weekdays,
        public array $months,
        public int $workingDays,
        public array $usedBy,
        public array $others,
    ) {
    }
}
