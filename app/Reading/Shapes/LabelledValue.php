<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A label and its value. */
final readonly class LabelledValue
{
    public function __construct(
        public string $label,
        public string $value,
    ) {
    }
}
