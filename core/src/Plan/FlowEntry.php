<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Supply;

/** A supply or a demand in date order, with the balance after it. Quantities in millionths, the date as day number. */
final readonly class FlowEntry
{
    public function __construct(public int $date, public Supply|Demand $element, public int $qty, public int $balance)
    {
    }
}
