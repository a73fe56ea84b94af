<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A sales line that is served later for a promise, or less of it. */
final readonly class PromiseHitRow
{
    /** @param  string  $missing  what nothing covers for it; 0 where it only comes later */
    public function __construct(
        public string $reference,
        public string $label,
        public string $customer,
        public string $item,
        public string $unit,
        public ?string $before,
        public ?string $after,
        public int $days,
        public string $missing,
        public string $href,
    ) {
    }
}
