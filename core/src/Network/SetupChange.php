<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * Setup time between two families on a centre, in millionths of a minute.
 */
final readonly class SetupChange
{
    public function __construct(
        public string $workCentre,
        public string $fromFamily,
        public string $toFamily,
        public int $setup,
    ) {
    }
}
