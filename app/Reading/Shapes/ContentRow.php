<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A component in two structures: how much goes into one of each, and what that costs; null where it does not. */
final readonly class ContentRow
{
    public function __construct(
        public string $component,
        public string $name,
        public string $unit,
        public ?string $first,
        public ?string $second,
        public string $firstCost,
        public string $secondCost,
        public bool $isSame,
    ) {
    }
}
