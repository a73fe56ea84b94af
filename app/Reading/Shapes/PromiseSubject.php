<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A sales line for which another date is asked, or a hold that is accepted. */
final readonly class PromiseSubject
{
    /**
     * @param  string  $qty  that is still to be delivered
     * @param  string|null  $until  the last day of a hold; null for a line that stands
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
    ) {
    }
}
