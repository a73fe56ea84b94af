<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * Supply that a person fixed to a demand, by references. `qty` in millionths.
 */
final readonly class Allocation
{
    public function __construct(
        public string $demand,
        public string $supply,
        public int $qty,
    ) {
    }
}
