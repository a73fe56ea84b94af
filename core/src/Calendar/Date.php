<?php

declare(strict_types=1);

namespace Yposta\Core\Calendar;

use Yposta\Core\Support\Value;

/** A day as a value of a sentence, so that a language can write it in its way. */
final readonly class Date implements Value
{
    /** @param  int  $day  day number */
    public function __construct(public int $day)
    {
    }

    public static function orNull(?int $day): ?self
    {
        return $day === null ? null : new self($day);
    }

    public function isDay(): bool
    {
        return true;
    }

    public function __toString(): string
    {
        return Day::format($this->day);
    }
}
