<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

use Yposta\Core\Calendar\Day;

/** A minute of the site's clock, held as `YYYY-MM-DD HH:MM`. */
final readonly class Instant implements ColumnType
{
    use FormedColumn;

    public function parse(string $text): mixed
    {
        $text = str_replace('T', ' ', $text);
        $sound = preg_match('/^(\d{4})-(\d{2})-(\d{2}) ([01]\d|2[0-3]):[0-5]\d$/D', $text, $part) === 1
            && checkdate((int) $part[2], (int) $part[3], (int) $part[1]) && (int) $part[1] >= Day::FIRST_YEAR;

        return $sound ? $text : throw new InvalidField(Fault::of('no_instant', ['text' => mb_substr($text, 0, 30)]));
    }

    public function fault(mixed $value, array $values, Surroundings $in): ?Fault
    {
        return null;
    }

    public function mayBeEmpty(): bool
    {
        return false;
    }

    public function describe(): string
    {
        return '`YYYY-MM-DD HH:MM`';
    }
}
