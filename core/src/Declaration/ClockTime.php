<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

use Yposta\Core\Calendar\Minute;

/** A time of day, held in minutes from midnight; 24:00 is the end of the day. */
final readonly class ClockTime implements ColumnType
{
    use NumberColumn;

    public function parse(string $text): mixed
    {
        return preg_match('/^(?:([01]\d|2[0-3]):([0-5]\d)|(24):(00))$/D', $text, $part, PREG_UNMATCHED_AS_NULL) === 1
            ? (int) ($part[1] ?? $part[3]) * 60 + (int) ($part[2] ?? $part[4])
            : throw new InvalidField(Fault::of('no_time', ['text' => mb_substr($text, 0, 30)]));
    }

    public function write(mixed $value): string
    {
        return is_int($value) ? Minute::clock($value) : '';
    }

    public function fault(mixed $value, array $values, Surroundings $in): ?Fault
    {
        return null;
    }

    public function describe(): string
    {
        return '`HH:MM`';
    }
}
