<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Run\Demand;

/** What a sales line or a forecast takes of a centre in a period. */
final readonly class DemandLoad
{
    public function __construct(public Demand $demand, public float $minutes)
    {
    }
}
