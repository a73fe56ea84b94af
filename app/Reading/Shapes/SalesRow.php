<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A sales line with its cover. */
final readonly class SalesRow
{
    /**
     * @param  string|null  $heldUntil  the last day of a promise that is held and not accepted
     * @param  string  $group  what it stands under; of a week its Monday
     * @param  string|null  $answered  the day on which it could have been promised, where it was accepted for another
     */
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
        public string $open,
        public string $shipped,
        public string $due,
        public int $priority,
        public ?string $expected,
        public int $lateDays,
        public ?string $reason,
        public ?Strip $strip,
        public ?string $heldUntil,
        public ?string $answered,
        public string $group,
    ) {
    }
}
