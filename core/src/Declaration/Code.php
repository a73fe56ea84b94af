<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

/** A code by which something is known: never empty unless it has a default, no line breaks. */
final readonly class Code implements ColumnType
{
    use TextColumn;

    /** The longest code or text, in characters. */
    public const LONGEST = 190;

    public function parse(string $text): mixed
    {
        return $text;
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
        return '';
    }
}
