<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

/** A name, a note or other free text; it may hold line breaks and tabs, as a spreadsheet's cells do. */
final readonly class Text implements ColumnType
{
    use TextColumn;

    /** @param  string|null  $else  the property whose value stands in for an empty field */
    public function __construct(public ?string $else = null)
    {
    }

    public function parse(string $text): mixed
    {
        return $text;
    }

    public function fault(mixed $value, array $values, Surroundings $in): ?Fault
    {
        return is_string($value) ? $this->faultOfText($value, true) : null;
    }

    public function mayBeEmpty(): bool
    {
        return true;
    }

    public function describe(): string
    {
        return '';
    }
}
