<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/** Numbers by chance: the same seed gives the same ones. */
final class Chance
{
    private int $state;

    public function __construct(int $seed)
    {
        $this->state = $seed & 0x7FFFFFFF;
    }

    public function below(int $number): int
    {
        $this->state = ($this->state * 1_103_515_245 + 12_345) & 0x7FFFFFFF;

        return ($this->state >> 8) % $number;
    }
}
