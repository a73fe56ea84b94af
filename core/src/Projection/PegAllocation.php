<?php

declare(strict_types=1);

namespace Yposta\Core\Projection;

use Yposta\Core\Options\Options;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/**
 * Shares the supplies of a point among its demands (section 6): fixed allocations first, then each `per_order` proposal to its demand,
 * then the demands in their order, each from what is there first; safety stock last.
 */
final readonly class PegAllocation
{
    public function __construct(private Options $options, private FixedAllocations $fixed)
    {
    }

    /**
     * @param  list<Supply>  $supplies
     * @param  list<Demand>  $demands  as the netting leaves them: by need date, priority, reference; safety stock last
     * @return list<Peg>
     */
    public function serve(array $supplies, array $demands): array
    {
        $supplies = self::byAvailability($supplies);
        if ($this->options->pegByPriority) {
            usort($demands, fn (Demand $a, Demand $b) => ($a->need === null) <=> ($b->need === null)
                ?: $a->priority <=> $b->priority ?: $a->need <=> $b->need ?: $a->rank <=> $b->rank);
        }
        $left = [];
        foreach ($supplies as $supply) {
            $left[] = $supply->qty;
        }
        /** @var array<string, Peg> $made pegs made out of turn, by pair, which may grow when its turn comes */
        $made = [];
        $this->serveFixed($supplies, $demands, $left, $made);
        $this->serveTied($supplies, $left, $made);
        $pegs = array_values($made);
        $outOfTurn = $made !== [];
        $first = 0;
        foreach ($demands as $demand) {
            for ($place = $first; $demand->uncovered > 0 && isset($supplies[$place]); $place++) {
                $qty = min($left[$place], $demand->uncovered);
                if ($qty > 0) {
                    $left[$place] -= $qty;
                    $earlier = $outOfTurn ? $made[self::pair($supplies[$place], $demand)] ?? null : null;
                    if ($earlier === null) {
                        $pegs[] = self::serveFrom($supplies[$place], $demand, $qty);
                    } else {
                        $demand->uncovered -= $qty;
                        $earlier->qty += $qty;
                    }
                }
                if ($left[$place] === 0 && $place === $first) {
                    $first++;
                }
            }
        }

        return $pegs;
    }

    /**
     * @param  list<Supply>  $supplies
     * @param  list<Demand>  $demands
     * @param  array<int, int>  $left  by the supply's place
     * @param  array<string, Peg>  $made
     */
    private function serveFixed(array $supplies, array $demands, array &$left, array &$made): void
    {
        $fixed = $this->fixed->among($demands);
        if ($fixed === []) {
            return;
        }
        $places = [];
        foreach ($supplies as $place => $supply) {
            $supply->kind === SupplyKind::Proposal || $places[$supply->reference()] = $place;
        }
        foreach ($fixed as $allocation) {
            $place = $places[$allocation['supply']] ?? null;
            if ($place !== null) {
                $qty = min($allocation['qty'], $left[$place], $allocation['demand']->uncovered);
                $qty > 0 && $this->peg($supplies[$place], $allocation['demand'], $qty, $left[$place], $made);
            }
        }
    }

    /**
     * @param  list<Supply>  $supplies
     * @param  array<int, int>  $left  by the supply's place
     * @param  array<string, Peg>  $made
     */
    private function serveTied(array $supplies, array &$left, array &$made): void
    {
        $tied = array_filter($supplies, fn (Supply $supply) => $supply->tied !== null);
        uasort($tied, fn (Supply $a, Supply $b) => $a->rank <=> $b->rank);
        foreach ($tied as $place => $supply) {
            /** @var Demand $demand */
            $demand = $supply->tied;
            $qty = min($left[$place], $demand->uncovered);
            $qty > 0 && $this->peg($supply, $demand, $qty, $left[$place], $made);
        }
    }

    /** @param  array<string, Peg>  $made */
    private function peg(Supply $supply, Demand $demand, int $qty, int &$left, array &$made): void
    {
        $left -= $qty;
        $key = self::pair($supply, $demand);
        if (isset($made[$key])) {
            $demand->uncovered -= $qty;
            $made[$key]->qty += $qty;
        } else {
            $made[$key] = self::serveFrom($supply, $demand, $qty);
        }
    }

    /**
     * By available date, then reference. Most of them stand so already, which is seen faster than sorted.
     *
     * @param  list<Supply>  $supplies
     * @return list<Supply>
     */
    private static function byAvailability(array $supplies): array
    {
        $before = null;
        foreach ($supplies as $supply) {
            if ($before !== null && ($supply->available < $before->available
                || ($supply->available === $before->available && $supply->rank < $before->rank))) {
                usort($supplies, fn (Supply $a, Supply $b) => $a->available <=> $b->available ?: $a->rank <=> $b->rank);

                return $supplies;
            }
            $before = $supply;
        }

        return $supplies;
    }

    private static function serveFrom(Supply $supply, Demand $demand, int $qty): Peg
    {
        $demand->uncovered -= $qty;
        if ($demand->expected === null || $supply->available > $demand->expected) {
            $demand->expected = $supply->available;
            $demand->last = $supply;
        }

        return new Peg($supply, $demand, $qty);
    }

    private static function pair(Supply $supply, Demand $demand): string
    {
        return $supply->rank.' '.$demand->rank;
    }
}
