<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * Working time of a centre on weekdays from 1 to 7; minutes from midnight, `to` may lie on the next day.
 */
final readonly class Shift
{
    public function __construct(
        public string $workCentre,
        public string $weekdays,
        public int $from,
        public int $to,
        public ?int $units,
    ) {
    }
}
