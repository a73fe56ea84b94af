<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Run\Supply;
use Yposta\Core\Structure\Point;

/** Knows which proposal of a kept run a proposal of a plan is, so that an order made of it can say so. */
interface ProposalOrigins
{
    /**
     * @param  int  $place  among the proposals of the point that are alike in the plan, from 0
     * @return ProposalOrigin|null null where the run has no such proposal
     */
    public function of(Point $point, Supply $proposal, int $place): ?ProposalOrigin;
}
