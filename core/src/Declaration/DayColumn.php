<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\InvalidDay;

/** A day, held as a day number. */
final readonly class DayColumn implements ColumnType
{
    use NumberColumn;

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
        return null;
    }

    public function describe(): string
    {
        return '';
    }
}
