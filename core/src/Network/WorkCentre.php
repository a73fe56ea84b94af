<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * People or machines working side by side. `efficiency` in millionths of a percent.
 */
final readonly class WorkCentre
{
    public function __construct(
        public string $code,
        public string $name,
        public string $site,
        public string $kind,
        public int $units,
        public int $efficiency,
        public ?string $calendar,
    ) {
    }
}
