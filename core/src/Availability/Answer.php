<?php

declare(strict_types=1);

namespace Yposta\Core\Availability;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\HoldUp;
use Yposta\Core\Run\Supply;
use Yposta\Core\Structure\Point;

/** Whether something can be complete on the day it is wanted, as it is planned. Dates as day numbers. */
final readonly class Answer
{
    /**
     * @param  Demand|Supply  $root  what was asked for, in the plan: a sales line, or an order
     * @param  int|null  $complete  when all of it is there; null when something is served by nothing
     * @param  HoldUp|null  $decidedBy  where the date is decided, when it is later than wanted
     * @param  list<Node>  $nodes  the structure below, each node after the one above it
     * @param  int  $more  nodes beyond {@see StructureTree::MOST}
     */
    public function __construct(
        public Demand|Supply $root,
        public int $wanted,
        public ?int $complete,
        public ?HoldUp $decidedBy,
        public ?Point $decidedAt,
        public array $nodes,
        public int $more,
    ) {
    }

    public function isInTime(): bool
    {
        return $this->complete !== null && $this->complete <= $this->wanted;
    }

    /** Whether stock and open orders are enough, so that nothing has to be ordered. */
    public function isFromWhatThereIs(): bool
    {
        foreach ($this->nodes as $node) {
            if ($node->short() > 0) {
                return false;
            }
        }

        return true;
    }
}
