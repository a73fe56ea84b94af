<?php

declare(strict_types=1);

namespace App\Reading;

use Illuminate\Support\Facades\DB;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/**
 * The pegs around a thing, read level by level, so that the number of queries grows with the depth and not with the width; and the chain
 * that decides its date.
 */
final class PegGraph
{
    /** Needs that are read at once; what lies below is read when it is asked for. */
    private const AT_ONCE = 1_800;

    private int $until = 0;

    /** @var array<int, list<Peg>> what serves a demand, by its number */
    private array $served = [];

    /** @var array<int, list<int>> the inputs of an order or proposal, by its number */
    private array $inputs = [];

    /** @var array<int, list<Peg>> whom a supply serves, by its number */
    private array $serves = [];

    /** @var array<int, true> demands on the chain that decides the date */
    private array $chain = [];

    public function __construct(private readonly StoredPlan $plan, private readonly int $atOnce = self::AT_ONCE)
    {
    }

    /** @param  list<int>  $demands  numbers */
    public function readDown(array $demands): void
    {
        $this->read($demands);
        foreach ($demands as $demand) {
            $this->follow($this->plan->demandNumbered($demand));
        }
    }

    /** @param  list<int>  $demands  numbers */
    private function read(array $demands): void
    {
        $this->until = count($this->served) + $this->atOnce;
        for ($level = $demands; $level !== []; $level = $this->loadBelow($level));
    }

    public function readUp(int $supply): void
    {
        for ($level = [$supply]; $level !== []; $level = $this->loadAbove($level));
    }

    /** @return list<Peg> by availability */
    public function served(int $demand): array
    {
        isset($this->served[$demand]) || $this->read([$demand]);

        return $this->served[$demand] ?? [];
    }

    /** @return list<int> numbers of what an order or proposal takes, as far as it has been read */
    public function inputs(int $supply): array
    {
        return $this->inputs[$supply] ?? [];
    }

    /** @return list<Peg> */
    public function serves(int $supply): array
    {
        return $this->serves[$supply] ?? [];
    }

    /** Whether a demand is on the chain that decides the date. */
    public function decides(int $demand): bool
    {
        return isset($this->chain[$demand]);
    }

    /** @return list<int> numbers of the inputs of an order or proposal that nothing has been read above */
    public function readInputs(int $supply): array
    {
        return $this->inputs[$supply] = $this->inputsOf($supply);
    }

    /** @return list<int> numbers of the inputs of an order or proposal */
    public function inputsOf(int $supply): array
    {
        return array_values(DB::table('plan_demands')->where('run_id', $this->plan->run->id)->where('for_supply', $supply)->orderBy('rank')
            ->pluck('n')->map(fn ($n) => (int) $n)->all());
    }

    /**
     * @param  list<int>  $demands
     * @return list<int> the demands of the next level that have not been loaded
     */
    private function loadBelow(array $demands): array
    {
        $supplies = [];
        foreach ($this->plan->pegsOfDemands($demands) as $demand => $pegs) {
            $this->served[$demand] = $pegs;
            foreach ($pegs as $peg) {
                $number = $this->plan->numberOf($peg->supply);
                if ($peg->supply->kind !== SupplyKind::Stock && ! isset($this->inputs[$number])) {
                    $this->inputs[$number] = [];
                    $supplies[] = $number;
                }
            }
        }
        $next = [];
        foreach ($this->plan->inputsOf($supplies) as $supply => $inputs) {
            $this->inputs[$supply] = $inputs;
            array_push($next, ...$inputs);
        }

        return count($this->served) > $this->until ? [] : array_values(array_filter($next, fn (int $n) => ! isset($this->served[$n])));
    }

    /**
     * @param  list<int>  $supplies
     * @return list<int>
     */
    private function loadAbove(array $supplies): array
    {
        $next = [];
        foreach ($this->plan->pegsOfSupplies($supplies) as $supply => $pegs) {
            $this->serves[$supply] = $pegs;
            foreach ($pegs as $peg) {
                if ($peg->demand->for !== null) {
                    $next[$this->plan->numberOf($peg->demand->for)] = true;
                }
            }
        }

        return array_values(array_filter(array_keys($next), fn (int $n) => ! isset($this->serves[$n])));
    }

    /** Marks the chain from a late demand to where its delay begins: the latest supply, and the input that this waits for. */
    private function follow(Demand $demand): void
    {
        while ($demand->lateDays() > 0) {
            $number = $this->plan->numberOf($demand);
            $this->chain[$number] = true;
            $latest = self::latest($this->served($number));
            $waitsFor = $latest === null ? null : $this->plan->waitsFor($latest);
            if ($waitsFor === null) {
                return;
            }
            $demand = $waitsFor;
        }
    }

    /**
     * The supply that is there last.
     *
     * @param  list<Peg>  $pegs  by availability, then reference
     */
    public static function latest(array $pegs): ?Supply
    {
        $latest = null;
        foreach ($pegs as $peg) {
            if ($latest === null || $peg->supply->available > $latest->available) {
                $latest = $peg->supply;
            }
        }

        return $latest;
    }
}
