<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * Another centre on which an operation may run. `speed` in millionths of a percent.
 */
final readonly class OperationAlternative
{
    public function __construct(
        public string $item,
        public ?string $site,
        public int $op,
        public string $workCentre,
        public int $speed,
    ) {
    }
}
