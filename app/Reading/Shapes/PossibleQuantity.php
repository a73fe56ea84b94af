<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What can be complete on a day, as decimals: by ordering what is missing, and from stock and open orders alone. */
final readonly class PossibleQuantity
{
    public function __construct(
        public string $any,
        public string $stock,
    ) {
    }
}
