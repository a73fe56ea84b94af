<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** The first day on which all can be there, as an ISO date; null where none was found. */
final readonly class EarliestDay
{
    public function __construct(
        public ?string $day,
    ) {
    }
}
