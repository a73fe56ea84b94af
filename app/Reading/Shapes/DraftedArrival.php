<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** When something that a draft moves is there: an ISO date, null where it is not covered; and the days after its date. */
final readonly class DraftedArrival
{
    public function __construct(public ?string $day, public int $lateDays)
    {
    }
}
