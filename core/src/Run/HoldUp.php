<?php

declare(strict_types=1);

namespace Yposta\Core\Run;

/** Where the delay of a late demand begins, and why. */
final readonly class HoldUp
{
    /**
     * @param  Supply  $supply  the order or proposal in which it begins
     * @param  int  $lead  working days of lead time, when that is the reason
     * @param  int  $left  working days that are left for it, when that is the reason
     */
    public function __construct(
        public Supply $supply,
        public HoldUpReason $reason,
        public int $lead = 0,
        public int $left = 0,
    ) {
    }
}
