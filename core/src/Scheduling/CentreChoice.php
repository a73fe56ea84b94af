<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Capacity\Minutes;

/** A centre on which an operation may run, and what it takes there. */
final class CentreChoice
{
    /** @var array<int, int> by setup, as they are asked for again and again */
    private array $minutes = [];

    /**
     * @param  int  $setup  its own, millionths of a minute
     * @param  int  $run  millionths of a minute for the base quantity
     * @param  int  $base  millionths
     * @param  int  $qty  what is left to be done, millionths
     * @param  int  $efficiency  of the centre, millionths of a percent
     * @param  int  $speed  millionths of a percent
     */
    public function __construct(
        public readonly string $centre,
        public readonly int $setup,
        private int $run,
        private int $base,
        private int $qty,
        private int $efficiency,
        private int $speed,
    ) {
    }

    /** @param  int  $setup  millionths of a minute */
    public function minutes(int $setup): int
    {
        return $this->minutes[$setup]
            ??= Minutes::of($setup, $this->run, $this->base, $this->qty, $this->efficiency, $this->speed);
    }
}
