<?php

declare(strict_types=1);

namespace Yposta\Core\Reservation;

use Yposta\Core\Run\Demand;

/** A need of an order or sales line, and what is held for it. Quantities in millionths. */
final readonly class HeldNeed
{
    /**
     * @param  array<string, int>  $held  by reference of the supply, as far as it is there
     * @param  array<string, int>  $offered  what the plan gives it from stock and from open orders in time, by reference of the supply
     */
    public function __construct(public Demand $demand, public array $held, public array $offered)
    {
    }

    public function kept(): int
    {
        return min($this->demand->qty, array_sum($this->held));
    }

    /** What is there in time beside what is held, and could be held. */
    public function free(): int
    {
        return max(0, min($this->demand->qty, array_sum($this->offered)) - $this->kept());
    }

    public function isComplete(): bool
    {
        return $this->kept() >= $this->demand->qty;
    }

    public function isAvailable(): bool
    {
        return max(array_sum($this->offered), $this->kept()) >= $this->demand->qty;
    }
}
