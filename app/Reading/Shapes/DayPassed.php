<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A day that has passed in the demo. */
final readonly class DayPassed
{
    /**
     * @param  string  $day  ISO date
     * @param  list<string>  $said  what happened
     */
    public function __construct(public string $day, public array $said)
    {
    }
}
