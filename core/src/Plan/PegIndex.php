<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\Workspace;

/** The pegs of a plan from both ends. Both ends stand at one point, so that only the points that are asked about are gone through. */
final class PegIndex
{
    /** @var array<int, true> points that have been gone through */
    private array $known = [];

    /** @var array<int, list<Peg>> by object id of the demand */
    private array $ofDemand = [];

    /** @var array<int, list<Peg>> by object id of the supply */
    private array $ofSupply = [];

    private readonly Workspace $work;

    public function __construct(Plan $plan)
    {
        $this->work = $plan->work; // not the plan, which may hold this: nothing collects a ring of the two
    }

    /** @return list<Peg> what serves a demand, in the order in which it was given */
    public function serving(Demand $demand): array
    {
        $this->learn($demand->point);

        return $this->ofDemand[spl_object_id($demand)] ?? [];
    }

    /** @return list<Peg> what a supply serves */
    public function servedBy(Supply $supply): array
    {
        $this->learn($supply->point);

        return $this->ofSupply[spl_object_id($supply)] ?? [];
    }

    /** What of a supply serves nothing, in millionths. Safety stock counts as something. */
    public function free(Supply $supply): int
    {
        return $supply->qty - array_sum(array_map(fn (Peg $peg) => $peg->qty, $this->servedBy($supply)));
    }

    /**
     * Whom a demand is for in the end, through any number of levels: sales lines, forecasts, safety stock.
     *
     * @return list<Demand>
     */
    public function ends(Demand $demand): array
    {
        $ends = $seen = [];
        for ($waiting = [$demand]; ($one = array_pop($waiting)) !== null;) {
            if (isset($seen[spl_object_id($one)])) {
                continue;
            }
            $seen[spl_object_id($one)] = true;
            if ($one->for === null) {
                $ends[] = $one;
            }
            foreach ($one->for === null ? [] : $this->servedBy($one->for) as $peg) {
                $waiting[] = $peg->demand;
            }
        }

        return $ends;
    }

    private function learn(int $point): void
    {
        if (! isset($this->known[$point])) {
            $this->known[$point] = true;
            foreach ($this->work->pegs[$point] ?? [] as $peg) {
                $this->ofDemand[spl_object_id($peg->demand)][] = $peg;
                $this->ofSupply[spl_object_id($peg->supply)][] = $peg;
            }
        }
    }
}
