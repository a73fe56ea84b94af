<?php

declare(strict_types=1);

namespace App\Reading;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;

/** Whom supplies are for in the end, followed up the stored pegs for many at once, so that the queries grow with the depth alone. */
final readonly class EndDemands
{
    /** Orders and proposals that are followed; what lies above is left out. */
    private const MOST = 4_000;

    public function __construct(private StoredPlan $plan)
    {
    }

    /**
     * @param  list<int>  $supplies  numbers
     * @return array<int, list<Demand>> by number: customers first, then forecasts and safety stock, what is needed first at the top
     */
    public function of(array $supplies): array
    {
        $roots = $ends = [];
        foreach ($supplies as $supply) {
            $roots[$supply] = [$supply => true];
            $ends[$supply] = [];
        }
        $seen = $roots;
        for ($level = $supplies; $level !== [] && count($seen) < self::MOST;) {
            $next = [];
            foreach ($this->plan->pegsOfSupplies($level) as $number => $pegs) {
                foreach ($pegs as $peg) {
                    if ($peg->demand->for === null) {
                        foreach (array_keys($roots[$number]) as $root) {
                            $ends[$root][$this->plan->numberOf($peg->demand)] = $peg->demand;
                        }

                        continue;
                    }
                    $above = $this->plan->numberOf($peg->demand->for);
                    $new = array_diff_key($roots[$number], $seen[$above] ?? []);
                    if ($new !== []) {
                        $seen[$above] = ($seen[$above] ?? []) + $new;
                        $next[$above] = ($next[$above] ?? []) + $new;
                    }
                }
            }
            $level = array_keys($next);
            $roots = $next;
        }

        return array_map($this->sorted(...), $ends);
    }

    /**
     * @param  array<int, Demand>  $demands
     * @return list<Demand>
     */
    private function sorted(array $demands): array
    {
        $kinds = [DemandKind::Sales->value => 0, DemandKind::Job->value => 0, DemandKind::Forecast->value => 1];
        usort($demands, fn (Demand $a, Demand $b) => [$kinds[$a->kind->value] ?? 2, $a->date ?? PHP_INT_MAX, $a->name, $a->line]
            <=> [$kinds[$b->kind->value] ?? 2, $b->date ?? PHP_INT_MAX, $b->name, $b->line]);

        return $demands;
    }
}
