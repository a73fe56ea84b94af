<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

/** A list of names, written with semicolons between. */
final readonly class Names implements ColumnType
{
    /** @param  list<string>|null  $allowed  null for any */
    public function __construct(public ?array $allowed = null)
    {
    }

    public function parse(string $text): mixed
    {
        $names = array_values(array_filter(array_map(trim(...), explode(';', $text)), fn (string $name) => $name !== ''));
        foreach ($this->allowed === null ? [] : array_diff($names, $this->allowed) as $name) {
            throw new InvalidField(Fault::of(
                'no_choice',
                ['text' => mb_substr($name, 0, 30), 'choices' => implode(', ', $this->allowed ?? [])],
            ));
        }

        return $names;
    }

    public function write(mixed $value): string
    {
        return is_array($value) ? implode(';', array_filter($value, is_string(...))) : '';
    }

    public function fault(mixed $value, array $values, Surroundings $in): ?Fault
    {
        return null;
    }

    public function harmless(): mixed
    {
        return [];
    }

    public function mayBeEmpty(): bool
    {
        return false;
    }

    /** @return list<string> */
    public function plain(mixed $value): array
    {
        return is_array($value) ? array_values(array_filter($value, is_string(...))) : [];
    }

    public function fromPlain(mixed $plain): mixed
    {
        return is_array($plain) && array_filter($plain, is_string(...)) === $plain
            ? array_values($plain)
            : throw new InvalidField(Fault::of('wrong_type'));
    }

    public function describe(): string
    {
        return $this->allowed === null ? 'names' : 'some of '.implode(', ', array_map(fn (string $name) => "`{$name}`", $this->allowed));
    }
}
