<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A sales line that is held for a customer until a day. */
final readonly class HeldPromise
{
    /** @param  bool  $lapsed  whether it counts no more */
    public function __construct(
        public string $reference,
        public string $order,
        public string $line,
        public string $customer,
        public string $item,
        public string $name,
        public string $site,
        public string $unit,
        public int $decimals,
        public string $qty,
        public string $due,
        public string $until,
        public bool $lapsed,
    ) {
    }
}
