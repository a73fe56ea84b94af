<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * Time in which units of a centre do not work; instants as `YYYY-MM-DD HH:MM`.
 */
final readonly class Closure
{
    public function __construct(
        public string $workCentre,
        public string $from,
        public string $to,
        public ?int $units,
        public string $reason,
    ) {
    }
}
