<?php

declare(strict_types=1);

namespace Yposta\Core\Projection;

use Yposta\Core\Options\Options;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\HoldUp;
use Yposta\Core\Run\HoldUpReason;
use Yposta\Core\Run\Supply;
use Yposta\Core\Structure\Structure;

/** Follows the latest supply of a late demand down, level by level, to where the delay begins (section 6). */
final readonly class HoldUps
{
    public function __construct(private Options $options, private Structure $structure)
    {
    }

    public function of(Demand $demand): ?HoldUp
    {
        $supply = $demand->last;
        while ($supply?->waitsFor?->last !== null) {
            $supply = $supply->waitsFor->last;
        }

        return $supply === null ? null : $this->begunIn($supply);
    }

    public function begunIn(Supply $supply): HoldUp
    {
        if ($supply->noCapacityAt !== null) {
            return new HoldUp($supply, HoldUpReason::NoCapacity);
        }
        if ($supply->overdue) {
            return new HoldUp($supply, HoldUpReason::Overdue);
        }
        if ($supply->available <= $supply->due) {
            return new HoldUp($supply, $supply->isProposal() ? HoldUpReason::Frozen : HoldUpReason::DueLate);
        }
        $point = $this->structure->points[$supply->point];

        return new HoldUp(
            $supply, HoldUpReason::LeadTime, $point->leadFor($supply->qty),
            $point->leadCalendar->steps($this->options->planDate, $supply->due),
        );
    }
}
