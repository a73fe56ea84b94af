<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

use Yposta\Core\Shortage\Need;

/** When a sales line is served, or an open order is there. Quantities in millionths, dates as day numbers. */
final readonly class Arrival
{
    /**
     * @param  int  $due  when it is wanted
     * @param  int|null  $expected  when it will be; null when nothing serves it
     * @param  int  $uncovered  what nothing serves
     * @param  string  $need  identity of the need that it waits for, see {@see Need::nameOf()}; empty when it waits for none
     */
    public function __construct(
        public string $reference,
        public string $item,
        public string $site,
        public string $customer,
        public int $qty,
        public int $due,
        public ?int $expected,
        public int $uncovered,
        public string $need,
    ) {
    }

    public function lateDays(): int
    {
        return $this->expected === null ? 0 : max(0, $this->expected - $this->due);
    }
}
