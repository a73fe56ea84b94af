<?php

declare(strict_types=1);

namespace App\Support;

/** How the company writes numbers, looked up once for a request: 1,234.5 or 1.234,5. */
final class NumberStyle
{
    public const POINT = 'point';

    public const COMMA = 'comma';

    private ?bool $isComma = null;

    public static function now(): self
    {
        return app(self::class);
    }

    /** @return value-of<array{self::POINT, self::COMMA}> by what parts the decimals */
    public function name(): string
    {
        return $this->isComma() ? self::COMMA : self::POINT;
    }

    public function isComma(): bool
    {
        return $this->isComma ??= Settings::get(Settings::NUMBERS, self::POINT) === self::COMMA;
    }

    /** A decimal as this house keeps it, written with the company's mark and without groups. */
    public function written(string $decimal): string
    {
        return $this->isComma() ? str_replace('.', ',', $decimal) : $decimal;
    }

    /** From now on with a point, whatever the company does, until it is forgotten. */
    public static function plain(): void
    {
        self::forget();
        self::now()->isComma = false;
    }

    /** The next one looks again. */
    public static function forget(): void
    {
        app()->forgetInstance(self::class);
    }
}
