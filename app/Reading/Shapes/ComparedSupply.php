<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A proposal of one of two compared plans. */
final readonly class ComparedSupply
{
    public function __construct(
        public string $qty,
        public string $start,
        public string $due,
        public string $expected,
        public ?string $supplier,
    ) {
    }
}
