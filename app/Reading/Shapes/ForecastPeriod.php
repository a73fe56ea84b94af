<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A period of a forecast: its days, and whether figures are typed in it: not once it has passed, nor outside of the forecast's days. */
final readonly class ForecastPeriod
{
    public function __construct(public string $start, public string $end, public bool $isOpen)
    {
    }
}
