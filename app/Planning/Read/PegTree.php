<?php

declare(strict_types=1);

namespace App\Planning\Read;

use App\Planning\Shapes\Link;
use App\Planning\Shapes\PegRow;
use App\Planning\Shapes\Strip;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Plan\Demand;
use Yposta\Core\Plan\Peg;
use Yposta\Core\Plan\Supply;
use Yposta\Core\Plan\SupplyKind;
use Yposta\Core\Quantity\Quantity;

/**
 * Pegging as an indented list: down from a need to raw stock, or up from a supply to the customers. Read level by level, so that the
 * number of queries grows with the depth and not with the width.
 */
final class PegTree
{
    /** Rows of a list; what is beyond is left out and said. */
    public const MOST = 600;

    private readonly Describe $describe;

    /** @var array<int, list<Peg>> what serves a demand, by its number */
    private array $served = [];

    /** @var array<int, list<int>> the inputs of an order or proposal, by its number */
    private array $inputs = [];

    /** @var array<int, list<Peg>> whom a supply serves, by its number */
    private array $serves = [];

    /** @var array<int, true> demands on the chain that decides the date */
    private array $chain = [];

    /** @var array<int, true> orders and proposals whose inputs stand in the list already */
    private array $shown = [];

    /** @var list<PegRow> */
    private array $rows = [];

    public function __construct(private readonly StoredPlan $plan)
    {
        $this->describe = new Describe($plan);
    }

    /**
     * What serves the demands, and what that waits for, down to raw stock.
     *
     * @param  list<int>  $demands  numbers
     * @param  bool  $onlyHoldUp  only the chain that decides the date
     * @return list<PegRow>
     */
    public function down(array $demands, bool $onlyHoldUp): array
    {
        for ($level = $demands; $level !== []; $level = $this->loadBelow($level));
        foreach ($demands as $demand) {
            $this->follow($this->plan->demandNumbered($demand));
        }
        foreach ($demands as $demand) {
            $this->addBelow($demand, 0, $onlyHoldUp);
        }

        return $this->rows;
    }

    /**
     * Whom a supply serves, and whom those serve in turn, up to the customers.
     *
     * @return list<PegRow>
     */
    public function up(int $supply): array
    {
        for ($level = [$supply]; $level !== []; $level = $this->loadAbove($level));
        $this->addAbove($supply, 0);

        return $this->rows;
    }

    /** @return list<int> numbers of the inputs of an order or proposal */
    public function inputsOf(int $supply): array
    {
        return array_values(DB::table('plan_demands')->where('run_id', $this->plan->run->id)->where('for_supply', $supply)->orderBy('rank')->pluck('n')->map(fn ($n) => (int) $n)->all());
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
        foreach (array_chunk($supplies, 900) as $chunk) {
            foreach (DB::table('plan_demands')->where('run_id', $this->plan->run->id)->whereIn('for_supply', $chunk)->orderBy('rank')->get(['n', 'for_supply']) as $row) {
                $this->inputs[(int) $row->for_supply][] = (int) $row->n;
                $next[] = (int) $row->n;
            }
        }

        return count($this->served) > self::MOST * 3 ? [] : array_values(array_filter($next, fn (int $n) => ! isset($this->served[$n])));
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
            $latest = $this->latest($this->served[$number] ?? []);
            $waitsFor = $latest === null ? null : $this->plan->waitsFor($latest);
            if ($waitsFor === null) {
                return;
            }
            $demand = $waitsFor;
        }
    }

    /** @param  list<Peg>  $pegs  by availability, then reference */
    private function latest(array $pegs): ?Supply
    {
        $latest = null;
        foreach ($pegs as $peg) {
            if ($latest === null || $peg->supply->available > $latest->available) {
                $latest = $peg->supply;
            }
        }

        return $latest;
    }

    private function addBelow(int $number, int $level, bool $onlyHoldUp): void
    {
        if (count($this->rows) >= self::MOST || ($onlyHoldUp && $level > 0 && ! isset($this->chain[$number]))) {
            return;
        }
        $demand = $this->plan->demandNumbered($number);
        $pegs = $this->served[$number] ?? [];
        $orders = [];
        foreach ($pegs as $peg) {
            $supply = $this->plan->numberOf($peg->supply);
            ($this->inputs[$supply] ?? []) === [] || $orders[] = $supply;
        }
        $repeated = $orders !== [] && array_filter($orders, fn (int $supply) => ! isset($this->shown[$supply])) === [];
        $this->rows[] = $this->row($demand, $level, $this->describe->strip($demand, $pegs), array_map(fn (Peg $peg) => $this->describe->supply($peg->supply), $pegs), isset($this->chain[$number]), $repeated);
        foreach ($orders as $supply) {
            if (! isset($this->shown[$supply])) {
                $this->shown[$supply] = true;
                foreach ($this->inputs[$supply] as $input) {
                    $this->addBelow($input, $level + 1, $onlyHoldUp);
                }
            }
        }
    }

    private function addAbove(int $supply, int $level): void
    {
        foreach ($this->serves[$supply] ?? [] as $peg) {
            if (count($this->rows) >= self::MOST) {
                return;
            }
            $above = $peg->demand->for === null ? null : $this->plan->numberOf($peg->demand->for);
            $repeated = $above !== null && isset($this->shown[$above]);
            $this->rows[] = $this->row($peg->demand, $level, null, [], false, $repeated, $peg->qty);
            if ($above !== null && ! $repeated) {
                $this->shown[$above] = true;
                $this->addAbove($above, $level + 1);
            }
        }
    }

    /** @param  list<Link>  $servedBy */
    private function row(Demand $demand, int $level, ?Strip $strip, array $servedBy, bool $holdUp, bool $repeated, ?int $qty = null): PegRow
    {
        $point = $this->plan->pointOf($demand->point);

        return new PegRow(
            $level, $point->item, $point->site, $point->name, $this->describe->demand($demand), Quantity::format($qty ?? $demand->qty), $point->unit, $this->plan->dates->isoOrNull($demand->date),
            $this->plan->dates->isoOrNull($demand->expected), $demand->lateDays(), $strip, $servedBy, $holdUp, $repeated,
        );
    }
}
