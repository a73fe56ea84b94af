<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A supplier that could be ordered from instead. */
final readonly class SupplierChoice
{
    public function __construct(
        public string $code,
        public string $name,
        public int $lead,
        public ?string $price,
        public string $currency,
        public string $possible,
    ) {
    }
}
