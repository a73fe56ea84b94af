<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A step of the chain that decides a date. `days` are those that it adds. */
final readonly class ThreadStep
{
    public function __construct(
        public string $label,
        public string $to,
        public int $days,
        public bool $late,
    ) {
    }
}
