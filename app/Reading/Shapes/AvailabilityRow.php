<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A need in the structure below what was asked for. Quantities are decimals as text, dates are ISO dates. */
final readonly class AvailabilityRow
{
    public function __construct(
        public int $id,
        public int $parent,
        public int $depth,
        public string $item,
        public string $name,
        public string $site,
        public string $unit,
        public string $way,
        public string $via,
        public string $required,
        public string $onHand,
        public string $incoming,
        public string $short,
        public Strip $strip,
        public string $date,
        public ?string $expected,
        public int $lateDays,
        public int $lead,
        public bool $decides,
        public bool $again,
        public bool $hasMore,
    ) {
    }
}
