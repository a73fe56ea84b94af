<?php

declare(strict_types=1);

namespace App\Planning;

/** What the ledger is told of movements beside what moved. */
final readonly class Booking
{
    /**
     * @param  string|null  $day  ISO date on which it moved; null for the plan's today
     * @param  array<int, int>  $counters  movements that are taken back, by the place among what is posted
     */
    public function __construct(public string $reason = '', public ?string $day = null, public array $counters = [])
    {
    }
}
