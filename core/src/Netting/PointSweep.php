<?php

declare(strict_types=1);

namespace Yposta\Core\Netting;

use Yposta\Core\Demand\DemandCollector;
use Yposta\Core\Network\LotRule;
use Yposta\Core\Options\Options;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Supply;
use Yposta\Core\Structure\Point;
use Yposta\Core\Support\Phrase;

/**
 * The sweep over the need dates of one point (section 5): count receipts, subtract demands, bring later receipts in, propose the rest.
 */
final class PointSweep
{
    /** An overflow turns it into a float, which {@see settle()} refuses. */
    private int|float $balance;

    private readonly LotRule $rule;

    /** In the unit of the sums, as all quantities here. */
    private readonly int $floor;

    /** @var list<int> what each receipt brings */
    private readonly array $received;

    /** @var list<int> what each demand takes */
    private readonly array $wanted;

    /** The first receipt, by effective date, that may not have been counted yet. */
    private int $receipt = 0;

    /** The first demand that has not been subtracted yet. */
    private int $demand = 0;

    /** @var array<int, true> receipts counted before their time, by place */
    private array $broughtIn = [];

    /**
     * @param  list<Demand>  $demands  by need date, priority, reference
     * @param  list<Supply>  $receipts  the open orders
     * @param  int  $stock  millionths
     * @param  int  $unit  in which balances are counted, millionths; see {@see Quantity::unitFor()}
     */
    public function __construct(
        private readonly Options $options,
        private readonly Proposer $proposer,
        private readonly Point $point,
        private readonly array $demands,
        private array $receipts,
        int $stock,
        private readonly int $unit,
    ) {
        usort($this->receipts, fn (Supply $a, Supply $b) => $a->effective <=> $b->effective ?: $a->rank <=> $b->rank);
        $this->balance = intdiv($stock, $unit);
        $this->rule = $point->planning->lotRule;
        $this->floor = intdiv($point->floor(), $unit);
        $this->received = Quantity::of($this->receipts, $unit);
        $this->wanted = Quantity::of($demands, $unit);
    }

    /** @throws QuantityOutOfRange */
    public function run(): void
    {
        $perOrder = $this->rule->isPerDemand();
        $day = $this->options->planDate;
        $count = count($this->demands);
        do {
            $this->countReceipts($day);
            $first = $this->demand;
            while ($this->demand < $count && $this->demands[$this->demand]->need === $day) {
                $this->balance -= $this->wanted[$this->demand];
                $demand = $this->demands[$this->demand++];
                $perOrder && $this->settle($day, $demand);
            }
            if (! $perOrder || $first === $this->demand) {
                $this->settle($day, null);
            }
            $day = $this->demands[$this->demand]->need ?? null;
        } while ($day !== null);
    }

    private function countReceipts(int $day): void
    {
        while (isset($this->receipts[$this->receipt]) && $this->receipts[$this->receipt]->effective <= $day) {
            if (! isset($this->broughtIn[$this->receipt])) {
                $this->balance += $this->received[$this->receipt];
            }
            $this->receipt++;
        }
    }

    /** Steps 2 and 3 of the sweep: bring in, then propose what is still short. */
    private function settle(int $day, ?Demand $tied): void
    {
        if ($this->inRange($this->balance) >= $this->floor) {
            return;
        }
        $this->bringIn($day);
        $lowest = $this->inRange($this->balance);
        if ($lowest >= $this->floor) {
            return;
        }
        $coversTo = $day;
        $target = $this->rule->target($this->point->planning, $this->point->safetyStock);
        $groupDays = $this->rule->groupDays($this->point->planning);
        if ($groupDays > 1) {
            $coversTo = $day + $groupDays - 1;
            $lowest = $this->lowestUntil($coversTo);
        }
        $priority = $tied === null ? $this->mostUrgent($day, $coversTo) : $tied->priority;
        $made = $this->proposer->propose(
            $this->point, $day, $coversTo, Quantity::checked($lowest * $this->unit), $target, $priority, $tied,
        );
        $this->balance += intdiv($made, $this->unit);
    }

    private function bringIn(int $day): void
    {
        $last = $day + $this->options->bringInDays;
        for ($place = $this->receipt; $this->balance < $this->floor && isset($this->receipts[$place]); $place++) {
            $receipt = $this->receipts[$place];
            if ($receipt->effective > $last && ! isset($this->broughtIn[$place])) {
                return;
            }
            if ($receipt->pinned || isset($this->broughtIn[$place])) {
                continue;
            }
            $this->broughtIn[$place] = true;
            $this->balance += $this->received[$place];
            $this->proposer->broughtIn($receipt, $day);
        }
    }

    /** The lowest balance at a need date from now to a day, counting the receipts that become effective on the way. */
    private function lowestUntil(int $day): int
    {
        $balance = $lowest = $this->balance;
        $receipt = $this->receipt;
        for ($place = $this->demand; isset($this->demands[$place]) && $this->demands[$place]->need <= $day; $place++) {
            $need = $this->demands[$place]->need;
            for (; isset($this->receipts[$receipt]) && $this->receipts[$receipt]->effective <= $need; $receipt++) {
                $balance += isset($this->broughtIn[$receipt]) ? 0 : $this->received[$receipt];
            }
            $balance -= $this->wanted[$place];
            if ($balance < $lowest && ($this->demands[$place + 1]->need ?? null) !== $need) {
                $lowest = $balance;
            }
        }

        return $this->inRange($lowest);
    }

    private function mostUrgent(int $from, int $to): int
    {
        $priority = DemandCollector::LEAST_URGENT;
        for ($place = $this->demand - 1; $place >= 0 && $this->demands[$place]->need >= $from; $place--) {
            $priority = min($priority, $this->demands[$place]->priority);
        }
        for ($place = $this->demand; isset($this->demands[$place]) && $this->demands[$place]->need <= $to; $place++) {
            $priority = min($priority, $this->demands[$place]->priority);
        }

        return $priority;
    }

    /**
     * Integer overflow turns into a float; a balance that far out cannot be computed with.
     *
     * @throws QuantityOutOfRange
     */
    private function inRange(int|float $balance): int
    {
        return is_int($balance)
            ? $balance
            : throw new QuantityOutOfRange(new Phrase('range.balance', ['most' => new Amount(Quantity::MAX)]));
    }
}
