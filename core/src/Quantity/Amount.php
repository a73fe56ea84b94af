<?php

declare(strict_types=1);

namespace Yposta\Core\Quantity;

use Yposta\Core\Support\Value;

/** A quantity with its unit as a value of a sentence, so that a language can write it in its way. */
final readonly class Amount implements Value
{
    public function __construct(public int $millionths, public string $unit = '')
    {
    }

    public function isDay(): bool
    {
        return false;
    }

    public function __toString(): string
    {
        return trim(Quantity::format($this->millionths).' '.$this->unit);
    }
}
