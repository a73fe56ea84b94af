<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A sales line for which another date is asked, or one that is held for a customer. */
final readonly class PromiseSubject
{
    /**
     * @param  string  $qty  that is still to be delivered
     * @param  string|null  $until  the last day of a hold; null for a line that stands
     * @param  bool  $lapsed  whether that day has passed, so that it counts no more
     */
    public function __construct(
        public string $reference,
        public string $label,
        public string $customer,
        public string $item,
        public string $name,
        public string $site,
        public string $unit,
        public int $decimals,
        public string $qty,
        public string $due,
        public ?string $until,
        public bool $lapsed,
    ) {
    }
}
