<?php

declare(strict_types=1);

namespace Yposta\Core\Projection;

use Yposta\Core\Network\Allocation as FixedAllocation;
use Yposta\Core\Run\Demand;

/** Allocations that a person fixed, in the order in which they were fixed. */
final class FixedAllocations
{
    /** @var array<string, list<array{place: int, allocation: FixedAllocation}>> by demand reference */
    private array $byDemand = [];

    /** @param  list<FixedAllocation>  $allocations */
    public function __construct(array $allocations)
    {
        foreach ($allocations as $place => $allocation) {
            $this->byDemand[$allocation->demand][] = ['place' => $place, 'allocation' => $allocation];
        }
    }

    /**
     * Those of a point's demands, in order; a proposal's demand has none.
     *
     * @param  list<Demand>  $demands
     * @return list<array{demand: Demand, supply: string, qty: int}>
     */
    public function among(array $demands): array
    {
        if ($this->byDemand === []) {
            return [];
        }
        $found = [];
        foreach ($demands as $demand) {
            if (! $demand->isOfProposal()) {
                foreach ($this->byDemand[$demand->reference()] ?? [] as $fixed) {
                    $found[$fixed['place']] = [
                        'demand' => $demand,
                        'supply' => $fixed['allocation']->supply,
                        'qty' => $fixed['allocation']->qty,
                    ];
                }
            }
        }
        ksort($found);

        return array_values($found);
    }
}
