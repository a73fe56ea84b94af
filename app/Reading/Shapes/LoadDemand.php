<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A sales line or a forecast that a centre works for in a period; ISO date. */
final readonly class LoadDemand
{
    public function __construct(
        public Link $demand,
        public bool $isForecast,
        public string $item,
        public string $qty,
        public ?string $due,
        public int $minutes,
    ) {
    }
}
