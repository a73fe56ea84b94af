<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** How full a work centre is in a week in two plans; hours as text, percent null where it can do nothing. */
final readonly class ComparedLoad
{
    /** @param  string  $week  ISO date of its first day */
    public function __construct(
        public string $centre,
        public string $name,
        public string $week,
        public ?int $percentBefore,
        public ?int $percentAfter,
        public string $hoursBefore,
        public string $hoursAfter,
        public string $change,
        public bool $worse,
        public bool $better,
    ) {
    }
}
