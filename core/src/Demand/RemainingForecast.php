<?php

declare(strict_types=1);

namespace Yposta\Core\Demand;

use Yposta\Core\Network\ForecastBucket;

/** A forecast bucket and what the orders have left of it, in millionths; never below zero. */
final class RemainingForecast
{
    public int $left;

    public function __construct(public readonly ForecastBucket $bucket)
    {
        $this->left = $bucket->qty;
    }

    /** Takes as much of a quantity as is left and says how much that was. */
    public function take(int $quantity): int
    {
        $taken = min($this->left, $quantity);
        $this->left -= $taken;

        return $taken;
    }
}
