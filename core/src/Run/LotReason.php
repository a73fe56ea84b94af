<?php

declare(strict_types=1);

namespace Yposta\Core\Run;

/** What a lot rule saw when it made a proposal. Quantities in millionths, dates as day numbers. */
final readonly class LotReason
{
    /**
     * @param  int  $wanted  the need date that was short
     * @param  int  $coversTo  the last day whose demand it covers
     * @param  int  $balance  the balance that fell short, before the proposal
     * @param  int  $target  what the balance has to reach
     * @param  int  $net  the net requirement
     * @param  int  $lot  which of the lots for this requirement, from 1
     * @param  int  $lots  how many lots the requirement took
     * @param  int|null  $lead  working days from its start to its due date; null in plans from before that was kept
     */
    public function __construct(
        public int $wanted,
        public int $coversTo,
        public int $balance,
        public int $target,
        public int $net,
        public int $lot,
        public int $lots,
        public ?int $lead = null,
    ) {
    }
}
