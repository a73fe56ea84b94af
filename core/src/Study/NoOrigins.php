<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Run\Supply;
use Yposta\Core\Structure\Point;

/** Where no run is kept. */
final readonly class NoOrigins implements ProposalOrigins
{
    public function of(Point $point, Supply $proposal, int $place): ?ProposalOrigin
    {
        return null;
    }
}
