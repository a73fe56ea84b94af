<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

use Yposta\Core\Plan\DemandIdentity;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;

/** When a sales line is served, or an open order is there. Quantities in millionths, dates as day numbers. */
final readonly class Arrival
{
    /**
     * @param  int  $due  when it is wanted
     * @param  int|null  $expected  when it will be; null when nothing serves it
     * @param  int  $uncovered  what nothing serves
     * @param  string  $need  identity of the need that it waits for, see {@see DemandIdentity}; empty when it waits for none
     */
    public function __construct(
        public string $reference,
        public string $item,
        public string $site,
        public string $customer,
        public int $qty,
        public int $due,
        public ?int $expected,
        public int $uncovered,
        public string $need,
    ) {
    }

    /** Whether it is of an order that does not exist yet. */
    public function isOfNewOrder(): bool
    {
        $reference = Reference::parse($this->reference);

        return $reference->kind === ReferenceKind::Order && NewOrderCode::is($reference->name);
    }

    public function lateDays(): int
    {
        return $this->expected === null ? 0 : max(0, $this->expected - $this->due);
    }
}
