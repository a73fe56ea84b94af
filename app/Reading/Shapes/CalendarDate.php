<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A day of a calendar. */
final readonly class CalendarDate
{
    /**
     * @param  string  $day  ISO date
     * @param  bool  $isSpecial  whether it is otherwise than its weekday
     * @param  bool  $isDrafted  whether that is not written yet
     */
    public function __construct(public string $day, public bool $works, public bool $isSpecial, public string $note, public bool $isDrafted)
    {
    }
}
