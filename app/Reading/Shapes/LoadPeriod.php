<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A day, week or month of the load; ISO dates; what lies before the plan date counts for nothing. */
final readonly class LoadPeriod
{
    public function __construct(public string $from, public string $to)
    {
    }
}
