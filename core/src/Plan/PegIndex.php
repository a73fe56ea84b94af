<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;

/** The pegs of a plan from both ends. */
final class PegIndex
{
    /** @var array<int, list<Peg>> by object id of the demand */
    private array $ofDemand = [];

    /** @var array<int, list<Peg>> by object id of the supply */
    private array $ofSupply = [];

    /** @param  list<Peg>  $pegs */
    public function __construct(array $pegs)
    {
        foreach ($pegs as $peg) {
            $this->ofDemand[spl_object_id($peg->demand)][] = $peg;
            $this->ofSupply[spl_object_id($peg->supply)][] = $peg;
        }
    }

    /** @return list<Peg> what serves a demand, in the order in which it was given */
    public function serving(Demand $demand): array
    {
        return $this->ofDemand[spl_object_id($demand)] ?? [];
    }

    /** @return list<Peg> what a supply serves */
    public function servedBy(Supply $supply): array
    {
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
}
