<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A plan that can be compared; `at` is an instant, null where it has not been planned. */
final readonly class PlanChoice
{
    public function __construct(
        public string $value,
        public string $label,
        public ?string $at,
    ) {
    }
}
