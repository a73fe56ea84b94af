<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Whom a supply is for, in parts of 1000; the rest is for the stock rule. */
final readonly class CauseStrip
{
    public function __construct(
        public int $sales,
        public int $forecast,
    ) {
    }
}
