<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

/** Yes or no, written 1 or 0. */
final readonly class Flag implements ColumnType
{
    use BooleanColumn;

    public function parse(string $text): mixed
    {
        return match ($text) {
            '1' => true,
            '0' => false,
            default => throw new InvalidField(Fault::of('no_flag', ['text' => mb_substr($text, 0, 30)])),
        };
    }

    public function write(mixed $value): string
    {
        return $value === true ? '1' : '0';
    }

    public function describe(): string
    {
        return '0/1';
    }
}
