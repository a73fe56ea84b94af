<?php

declare(strict_types=1);

namespace Yposta\Core\Comparison;

/** A proposal as it is compared. Quantity in millionths, dates as day numbers. */
final readonly class ProposalEntry
{
    public function __construct(
        public string $kind,
        public string $item,
        public string $site,
        public ?string $supplier,
        public int $qty,
        public int $start,
        public int $due,
        public int $expected,
    ) {
    }
}
