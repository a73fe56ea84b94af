<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Who sells an item, and for how much. */
final readonly class SupplierOffer
{
    public function __construct(
        public string $code,
        public string $name,
        public ?string $price,
        public string $currency,
        public ?int $lead,
        public ?string $punctual,
    ) {
    }
}
