<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * An operation of an open order as it is scheduled. Times in millionths of a minute, `done` in millionths, instants as `YYYY-MM-DD HH:MM`.
 */
final readonly class OrderOperation
{
    public function __construct(
        public string $order,
        public int $op,
        public string $workCentre,
        public int $setup,
        public int $run,
        public int $crew,
        public int $done,
        public ?string $start,
        public ?string $end,
        public bool $fixed,
    ) {
    }
}
