<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A sales line or an open order that arrives on another day than before; ISO dates. */
final readonly class ArrivalChangeRow
{
    public function __construct(
        public ArrivalKind $kind,
        public string $reference,
        public string $label,
        public string $item,
        public string $name,
        public string $customer,
        public string $qty,
        public string $unit,
        public string $due,
        public ?string $before,
        public ?string $after,
        public int $days,
        public bool $hurts,
        public bool $helps,
        public ?string $href,
        public string $need,
    ) {
    }
}
