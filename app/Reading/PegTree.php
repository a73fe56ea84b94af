<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\Link;
use App\Reading\Shapes\PegRow;
use App\Reading\Shapes\Strip;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;

/**
 * Pegging as an indented list: down from a need to raw stock, or up from a supply to the customers.
 */
final class PegTree
{
    /** Rows of a list; what is beyond is left out and said. */
    /** Rows of it; one goes on from there by as many. */
    public const STEP = 600;

    private readonly Describe $describe;

    private readonly PegGraph $graph;

    /** @var array<int, true> orders and proposals whose inputs stand in the list already */
    private array $shown = [];

    /** @var list<PegRow> */
    private array $rows = [];

    /** @param  int  $most  rows */
    public function __construct(private readonly StoredPlan $plan, private readonly int $most = self::STEP)
    {
        $this->describe = new Describe($plan);
        $this->graph = new PegGraph($plan);
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
        $this->graph->readDown($demands);
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
        $this->graph->readUp($supply);
        $this->addAbove($supply, 0);

        return $this->rows;
    }

    /** @return list<int> numbers of the inputs of an order or proposal */
    public function inputsOf(int $supply): array
    {
        return $this->graph->inputsOf($supply);
    }

    private function addBelow(int $number, int $level, bool $onlyHoldUp): void
    {
        if (count($this->rows) >= $this->most || ($onlyHoldUp && $level > 0 && ! $this->graph->decides($number))) {
            return;
        }
        $demand = $this->plan->demandNumbered($number);
        $pegs = $this->graph->served($number);
        $orders = [];
        foreach ($pegs as $peg) {
            $supply = $this->plan->numberOf($peg->supply);
            $this->graph->inputs($supply) === [] || $orders[] = $supply;
        }
        $repeated = $orders !== [] && array_filter($orders, fn (int $supply) => ! isset($this->shown[$supply])) === [];
        $this->rows[] = $this->row(
            $demand, $level, $this->describe->strip($demand, $pegs),
            array_map(fn (Peg $peg) => $this->describe->supply($peg->supply), $pegs), $this->graph->decides($number), $repeated,
        );
        foreach ($orders as $supply) {
            if (! isset($this->shown[$supply])) {
                $this->shown[$supply] = true;
                foreach ($this->graph->inputs($supply) as $input) {
                    $this->addBelow($input, $level + 1, $onlyHoldUp);
                }
            }
        }
    }

    private function addAbove(int $supply, int $level): void
    {
        foreach ($this->graph->serves($supply) as $peg) {
            if (count($this->rows) >= $this->most) {
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
            level: $level,
            item: $point->item,
            site: $point->site,
            name: $point->name,
            what: $this->describe->demand($demand),
            qty: Quantity::format($qty ?? $demand->qty),
            unit: $point->unit,
            needed: $this->plan->dates->isoOrNull($demand->date),
            expected: $this->plan->dates->isoOrNull($demand->expected),
            lateDays: $demand->lateDays(),
            strip: $strip,
            servedBy: $servedBy,
            holdUp: $holdUp,
            repeated: $repeated,
        );
    }
}
