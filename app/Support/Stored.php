<?php

declare(strict_types=1);

namespace App\Support;

use UnexpectedValueException;

/** What a table holds in a column, as the type that it was written with; drivers give numbers as text, too. */
final class Stored
{
    /** @throws UnexpectedValueException */
    public static function int(mixed $value): int
    {
        return is_numeric($value)
            ? (int) $value
            : throw new UnexpectedValueException('A number was expected, but '.get_debug_type($value).' is stored.');
    }

    /** @throws UnexpectedValueException */
    public static function text(mixed $value): string
    {
        return is_string($value) || is_int($value)
            ? (string) $value
            : throw new UnexpectedValueException('Text was expected, but '.get_debug_type($value).' is stored.');
    }

    /** @throws UnexpectedValueException */
    public static function textOrNull(mixed $value): ?string
    {
        return $value === null ? null : self::text($value);
    }
}
