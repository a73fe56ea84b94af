<?php

declare(strict_types=1);

namespace Yposta\Core\Reservation;

/** How far what an open order or a sales line needs is held for it. */
final readonly class OrderHoldings
{
    /** @param  non-empty-list<HeldNeed>  $needs */
    public function __construct(public string $reference, public array $needs)
    {
    }

    /** @return 'complete'|'partly'|'none' */
    public function status(): string
    {
        $kept = array_sum(array_map(fn (HeldNeed $need) => $need->kept(), $this->needs));

        return $this->complete() === count($this->needs) ? 'complete' : ($kept > 0 ? 'partly' : 'none');
    }

    /** How many of its needs are held whole. */
    public function complete(): int
    {
        return count(array_filter($this->needs, fn (HeldNeed $need) => $need->isComplete()));
    }

    /** Whether stock and open orders in time are there for all of it. */
    public function isAvailable(): bool
    {
        return array_filter($this->needs, fn (HeldNeed $need) => ! $need->isAvailable()) === [];
    }
}
