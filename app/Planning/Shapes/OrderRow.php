<?php

declare(strict_types=1);

namespace App\Planning\Shapes;

/** An order in the list. */
final readonly class OrderRow
{
    public function __construct(
        public string $code,
        public string $kind,
        public string $status,
        public string $site,
        public ?string $supplier,
        public string $what,
        public int $lines,
        public ?string $qty,
        public string $unit,
        public string $due,
        public int $daysLate,
        public ?string $message,
        public ?string $made,
    ) {
    }
}
