<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

use Yposta\Core\Scheduling\ScheduledOrder;
use Yposta\Core\Structure\Structure;

/** A schedule with what it comes to. */
final readonly class ScheduleResult
{
    /**
     * @param  array<string, int>  $figures  by name, see {@see \Yposta\Core\Scheduling\Schedule::figures()}
     * @param  list<ScheduledOrder>  $orders  with proposals
     * @param  array<string, string>  $givenUp  centre without room for it, by reference of the order
     * @param  list<string>  $displaced  operations that could not keep their place, as reference and number
     * @param  Outcome  $outcome  of the plan with its dates
     * @param  Structure  $structure  in which supplies and demands have their points
     */
    public function __construct(
        public array $figures,
        public array $orders,
        public array $givenUp,
        public array $displaced,
        public Outcome $outcome,
        public Structure $structure,
    ) {
    }
}
