<?php

declare(strict_types=1);

namespace Yposta\Core\Projection;

use Yposta\Core\Demand\DemandCollector;
use Yposta\Core\Netting\Workspace;
use Yposta\Core\Network\Network;
use Yposta\Core\Plan\Demand;
use Yposta\Core\Plan\DemandKind;
use Yposta\Core\Plan\Peg;
use Yposta\Core\Plan\SupplyKind;

/**
 * What will happen if the proposals are accepted and no open order moves (section 6): components come before what they go into.
 */
final readonly class Projection
{
    private FixedAllocations $fixed;

    public function __construct(Network $network, private Workspace $work)
    {
        $this->fixed = new FixedAllocations($network->allocations);
    }

    /** @return list<Peg> */
    public function run(): array
    {
        $structure = $this->work->structure;
        $availability = new Availability($this->work->options);
        $allocation = new Allocation($this->work->options, $this->fixed);
        $safety = new SafetyStretches($this->work);
        $holdUps = new HoldUps($this->work->options, $structure);
        $pegs = [];
        foreach (array_reverse($structure->netting) as $index) {
            $point = $structure->points[$index];
            $supplies = $this->work->supplies[$index] ?? [];
            if ($point->inScope && $point->safetyStock > 0) {
                $this->work->demands[$index][] = new Demand($index, DemandKind::Safety, $point->label(), '', DemandKind::Safety->rank(false, 0), $point->safetyStock, null, null, DemandCollector::LEAST_URGENT);
            }
            $demands = $this->work->demands[$index] ?? [];
            if ($supplies === [] && $demands === []) {
                continue;
            }
            foreach ($supplies as $supply) {
                $supply->kind === SupplyKind::Stock || $availability->settle($supply, $point);
            }
            $allocation->serve($supplies, $demands, $pegs);
            foreach ($demands as $demand) {
                $demand->lateDays() > 0 && $demand->holdUp = $holdUps->of($demand);
            }
            $safety->write($point, $supplies, $demands);
        }

        return $pegs;
    }
}
