<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/**
 * The needs of a day of the window, or of a week where it is long; ISO dates, counts by state. What was needed before stands on the first.
 */
final readonly class ShortageDay
{
    public function __construct(
        public string $from,
        public string $to,
        public int $waiting,
        public int $passed,
        public int $orderNow,
        public int $covered,
    ) {
    }
}
