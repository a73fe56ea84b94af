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

    /**
     * How far its needs are held, and how far there is more that could be: each need counts alike, whatever its quantity.
     *
     * @return array{held: int, free: int} thousandths of all
     */
    public function shares(): array
    {
        $held = $free = 0;
        foreach ($this->needs as $need) {
            $part = max(1, intdiv($need->demand->qty + 999, 1000)); // a thousandth; a thousandfold of it might leave a machine word
            $held += intdiv($need->kept(), $part);
            $free += intdiv($need->free(), $part);
        }

        return ['held' => intdiv($held, count($this->needs)), 'free' => intdiv($free, count($this->needs))];
    }

    /** How many of its needs could be held further with what is there. */
    public function holdable(): int
    {
        return count(array_filter($this->needs, fn (HeldNeed $need) => $need->free() > 0));
    }

    /** Whether stock and open orders in time are there for all of it. */
    public function isAvailable(): bool
    {
        return array_filter($this->needs, fn (HeldNeed $need) => ! $need->isAvailable()) === [];
    }
}
