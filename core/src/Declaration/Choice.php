<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

use BackedEnum;

/** One of an enum's values. */
final readonly class Choice implements ColumnType
{
    /** @param  class-string<BackedEnum>  $enum */
    public function __construct(public string $enum)
    {
    }

    public function parse(string $text): mixed
    {
        return $this->enum::tryFrom($text) ?? throw new InvalidField(Fault::of(
            'no_choice',
            ['text' => mb_substr($text, 0, 30), 'choices' => implode(', ', $this->choices())],
        ));
    }

    public function write(mixed $value): string
    {
        return $value instanceof BackedEnum ? (string) $value->value : '';
    }

    public function fault(mixed $value, array $values, Surroundings $in): ?Fault
    {
        return null;
    }

    public function harmless(): mixed
    {
        return $this->enum::cases()[0];
    }

    public function mayBeEmpty(): bool
    {
        return false;
    }

    public function plain(mixed $value): string
    {
        return $this->write($value);
    }

    public function fromPlain(mixed $plain): mixed
    {
        return (is_string($plain) ? $this->enum::tryFrom($plain) : null) ?? throw new InvalidField(Fault::of('wrong_type'));
    }

    public function describe(): string
    {
        return implode('/', array_map(fn (string $choice) => "`{$choice}`", $this->choices()));
    }

    /** @return list<string> */
    public function choices(): array
    {
        return array_map(fn (BackedEnum $case) => (string) $case->value, $this->enum::cases());
    }
}
