<?php

declare(strict_types=1);

namespace Yposta\Core\Comparison;

/** A late sales line as it is compared. Quantity in millionths, dates as day numbers; `why` is the hold-up as a sentence. */
final readonly class LateEntry
{
    public function __construct(
        public string $order,
        public string $line,
        public string $customer,
        public string $item,
        public string $site,
        public int $qty,
        public int $due,
        public int $expected,
        public string $why,
    ) {
    }

    public function days(): int
    {
        return $this->expected - $this->due;
    }
}
