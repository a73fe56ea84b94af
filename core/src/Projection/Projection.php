<?php

declare(strict_types=1);

namespace Yposta\Core\Projection;

use Yposta\Core\Demand\DemandCollector;
use Yposta\Core\Network\Network;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Run\Workspace;
use Yposta\Core\Structure\Point;

/**
 * What will happen if the proposals are accepted and no open order moves (section 6): components come before what they go into.
 */
final readonly class Projection
{
    private SupplyDates $availability;

    private PegAllocation $allocation;

    private SafetyStretches $safety;

    public function __construct(Network $network, private Workspace $work)
    {
        $this->availability = new SupplyDates($work->options);
        $this->allocation = new PegAllocation($work->options, new FixedAllocations($network->allocations));
        $this->safety = new SafetyStretches($work);
    }

    public function run(): void
    {
        foreach (array_reverse($this->work->structure->netting) as $index) {
            $this->project($this->work->structure->points[$index]);
        }
    }

    /**
     * Settles when the supplies of a point will be there and shares them among its demands; what its supplies take has been served before.
     */
    public function project(Point $point): void
    {
        $index = $point->index;
        if ($point->inScope && $point->safetyStock > 0) {
            $this->work->demands[$index][] = new Demand(
                point: $index,
                kind: DemandKind::Safety,
                name: $point->label(),
                line: '',
                rank: DemandKind::Safety->rank(false, 0),
                qty: $point->safetyStock,
                date: null,
                need: null,
                priority: DemandCollector::LEAST_URGENT,
            );
        }
        $supplies = $this->work->supplies[$index] ?? [];
        $demands = $this->work->demands[$index] ?? [];
        if ($supplies === [] && $demands === []) {
            return;
        }
        foreach ($supplies as $supply) {
            $supply->kind === SupplyKind::Stock || $this->availability->settle($supply, $point);
        }
        $pegs = $this->allocation->serve($supplies, $demands);
        if ($pegs !== []) {
            $this->work->pegs[$index] = $pegs;
        }
        $this->safety->write($point, $supplies, $demands);
    }
}
