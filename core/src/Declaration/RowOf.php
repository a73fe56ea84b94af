<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

/** The code of a row of another class, which must be there. */
final readonly class RowOf implements ColumnType
{
    use TextColumn;

    /** @param  class-string  $class  whose rows have a key of one column */
    public function __construct(public string $class)
    {
    }

    public function parse(string $text): mixed
    {
        return $text;
    }

    public function fault(mixed $value, array $values, Surroundings $in): ?Fault
    {
        return ! is_string($value) || $value === '' || $in->knows($this->class, $value) ? null
            : Fault::of('unknown', ['what' => Fault::what($this->class), 'code' => mb_substr($value, 0, 60)]);
    }

    public function mayBeEmpty(): bool
    {
        return false;
    }

    public function describe(): string
    {
        return '';
    }
}
