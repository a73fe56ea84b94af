<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Capacity\Work;
use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Run\Supply;

/** Where an operation of an order or a proposal lies: in the schedule, or laid backward with unlimited capacity. */
final readonly class LaidWork
{
    /**
     * @param  int|null  $first  its first minute; null where that lies before the plan date
     * @param  int  $end  the minute that it ends before at the latest
     * @param  ShopPlace|null  $place  where the schedule has it, if it is in one
     */
    public function __construct(
        public Supply $supply,
        public Work $work,
        public ?int $first,
        public int $end,
        public ?ShopPlace $place = null,
    ) {
    }
}
