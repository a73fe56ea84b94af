<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

/** Numbers of the units of a centre, from 1, held as they are written: with semicolons between, ascending. */
final readonly class UnitNumbers implements ColumnType
{
    use FormedColumn;

    public function parse(string $text): mixed
    {
        $numbers = array_map(trim(...), explode(';', $text));
        foreach ($numbers as $number) {
            if (preg_match('/^[1-9]\d{0,5}$/D', $number) !== 1) {
                throw new InvalidField(Fault::of('no_units', ['text' => mb_substr($text, 0, 30)]));
            }
        }
        $numbers = array_map(intval(...), $numbers);
        sort($numbers);

        return count(array_unique($numbers)) === count($numbers)
            ? implode(';', $numbers)
            : throw new InvalidField(Fault::of('no_units', ['text' => mb_substr($text, 0, 30)]));
    }

    public function fault(mixed $value, array $values, Surroundings $in): ?Fault
    {
        return is_string($value) ? $this->faultOfText($value, false) : null;
    }

    public function mayBeEmpty(): bool
    {
        return false;
    }

    public function describe(): string
    {
        return 'numbers from 1, `;` between';
    }
}
