<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

/** What kind of value a column holds. */
interface ColumnType
{
    /**
     * The value of a field.
     *
     * @throws InvalidField when the text is none
     */
    public function parse(string $text): mixed;

    /** The field of a value that is there; {@see parse()} gives the value back. */
    public function write(mixed $value): string;

    /**
     * What is wrong with a value by itself, or with what it refers to.
     *
     * @param  array<mixed>  $values  of the row, by property
     */
    public function fault(mixed $value, array $values, Surroundings $in): ?Fault;

    /** What stands in for a value that could not be read, so that reading can go on. */
    public function harmless(): mixed;

    /** Whether a field may be empty although the column has no default. */
    public function mayBeEmpty(): bool;

    /**
     * The value as JSON keeps it.
     *
     * @return bool|int|string|list<string>
     */
    public function plain(mixed $value): bool|int|string|array;

    /**
     * The value back from JSON.
     *
     * @throws InvalidField when it is of another type
     */
    public function fromPlain(mixed $plain): mixed;

    /** In a few words, for the documentation; may be empty. */
    public function describe(): string;
}
