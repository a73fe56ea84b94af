<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What was forecast of an item in a period, what orders want then, what is left to plan, and what is there at its end. */
final readonly class OutlookPeriod
{
    /** @param  string|null  $balance  null where there is no plan of it */
    public function __construct(
        public string $start,
        public bool $hasPassed,
        public string $forecast,
        public string $ordered,
        public string $left,
        public ?string $balance,
    ) {
    }
}
