<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What one costs from a quantity on. Both decimals. */
final readonly class PriceFrom
{
    public function __construct(public string $from, public string $price)
    {
    }
}
