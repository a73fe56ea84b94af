<?php

declare(strict_types=1);

namespace App\Planning\Shapes;

/** A label and its value. */
final readonly class Fact
{
    public function __construct(
        public string $label,
        public string $value,
    ) {
    }
}
