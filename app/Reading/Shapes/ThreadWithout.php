<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** When a line would be there without what holds it up: ISO date or null, days late, days to spare, and what would come next. */
final readonly class ThreadWithout
{
    public function __construct(
        public ?string $expected,
        public int $lateDays,
        public int $spare,
        public string $why,
    ) {
    }
}
