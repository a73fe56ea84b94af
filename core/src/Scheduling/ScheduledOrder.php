<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Calendar\Minute;
use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Run\Supply;

/** An order or proposal as a schedule has it. */
final readonly class ScheduledOrder
{
    /**
     * @param  int  $number  of a proposal, among those of its item and site that are due on its day; 0 for an order
     * @param  int  $latest  day on which it should end
     * @param  int  $end  minute at which its last operation has been moved on
     * @param  non-empty-list<ShopPlace>  $places  of its operations, by number
     */
    public function __construct(
        public Supply $supply,
        public string $item,
        public string $site,
        public int $number,
        public int $latest,
        public int $end,
        public array $places,
    ) {
    }

    public function start(): int
    {
        return $this->places[0]->start;
    }

    /** Calendar days by which it is late. */
    public function lateDays(): int
    {
        return max(0, Minute::day($this->end - 1) - $this->latest);
    }
}
