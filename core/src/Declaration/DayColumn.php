<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\InvalidDay;

/** A day, held as a day number. */
final readonly class DayColumn implements ColumnType
{
    use NumberColumn;

    /** The years that a day may be of: what is ordered, needed or worked before or after is a slip of the hand. */
    public const YEARS = [1970, 2199];

    /** @param  bool  $ever  whether it may be any day at all, as where "for ever" is written as a day far away */
    public function __construct(public bool $ever = false)
    {
    }

    public function parse(string $text): mixed
    {
        try {
            return Day::parse($text);
        } catch (InvalidDay $trouble) {
            throw new InvalidField(new Fault($trouble->phrase(), Fault::remedyOf('no_day')));
        }
    }

    public function write(mixed $value): string
    {
        return is_int($value) ? Day::format($value) : '';
    }

    public function fault(mixed $value, array $values, Surroundings $in): ?Fault
    {
        if ($this->ever || ! is_int($value)) {
            return null;
        }
        [$first, $last] = self::YEARS;

        return $value >= Day::of($first, 1, 1) && $value <= Day::of($last, 12, 31)
            ? null
            : Fault::of('year', ['day' => Day::format($value), 'first' => $first, 'last' => $last]);
    }

    public function describe(): string
    {
        return '';
    }
}
