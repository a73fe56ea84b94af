<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/** How full a centre is in a period, and what it is full of, in minutes. */
final class LoadCell
{
    public float $load = 0;

    public float $sales = 0;

    public float $forecast = 0;

    public float $safety = 0;

    /** @param  int  $capacity  minutes of units that are on */
    public function __construct(public readonly int $capacity)
    {
    }

    /** What is for nobody: lot sizes, and what is not needed. */
    public function stock(): float
    {
        return max(0.0, $this->load - $this->sales - $this->forecast - $this->safety);
    }

    /** How full it is; more than it can do where it can do nothing. */
    public function percent(): int
    {
        return (int) round(100 * $this->load / max(1, $this->capacity));
    }

    /**
     * @param  float  $minutes  of all its units
     * @param  array{float, float, float}  $shares  of sales, forecast and safety stock
     */
    public function add(float $minutes, array $shares): void
    {
        $this->load += $minutes;
        $this->sales += $minutes * $shares[0];
        $this->forecast += $minutes * $shares[1];
        $this->safety += $minutes * $shares[2];
    }
}
