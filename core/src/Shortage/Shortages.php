<?php

declare(strict_types=1);

namespace Yposta\Core\Shortage;

use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\Cover;
use Yposta\Core\Plan\DemandIdentity;
use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\SupplyKind;

/**
 * The needs of a window, each with what it waits for: components of orders and proposals, transfers, sales lines, forecasts. Safety
 * stock has no date and is left out.
 */
final readonly class Shortages
{
    private PegIndex $pegs;

    /** @param  bool  $countUnsent  whether a purchase order that has not been sent covers anything */
    public function __construct(private Plan $plan, private bool $countUnsent = true)
    {
        $this->pegs = new PegIndex($plan);
    }

    /**
     * @param  int  $until  day number, inclusive; what is needed before is always in
     * @return list<Need> by date, item, reference
     */
    public function until(int $until): array
    {
        $needs = [];
        foreach ($this->plan->demands as $index => $demands) {
            foreach ($demands as $demand) {
                if ($demand->kind !== DemandKind::Safety && $demand->date <= $until) {
                    $needs[] = $this->need($demand, $index);
                }
            }
        }
        usort(
            $needs,
            fn (Need $a, Need $b) => [
                $a->demand->date,
                $a->point->item->code,
                $a->demand->rank,
            ] <=> [$b->demand->date, $b->point->item->code, $b->demand->rank],
        );

        return $needs;
    }

    /** A need by its identity. */
    public function find(string $identity, ?int $near = null): ?Need
    {
        return $this->findAll([$identity], $near)[0] ?? null;
    }

    /**
     * Needs by their identities, the first of each; those that are not there are left out.
     *
     * @param  list<string>  $identities
     * @param  int|null  $near  a point at which they are looked for first, as where they stood in another plan
     * @return list<Need>
     */
    public function findAll(array $identities, ?int $near = null): array
    {
        $found = [];
        $wanted = array_fill_keys($identities, true);
        $first = $near === null || ! isset($this->plan->demands[$near]) ? [] : [$near => $this->plan->demands[$near]];
        foreach ($first + $this->plan->demands as $index => $demands) {
            foreach ($demands as $demand) {
                $identity = $demand->kind === DemandKind::Safety ? null : DemandIdentity::of($demand, $this->plan->structure);
                if ($identity !== null && isset($wanted[$identity])) {
                    unset($wanted[$identity]);
                    $found[] = $this->need($demand, $index);
                    if ($wanted === []) {
                        return $found;
                    }
                }
            }
        }

        return $found;
    }

    /**
     * Whom a need is for in the end.
     *
     * @return list<Demand>
     */
    public function ends(Need $need): array
    {
        return $this->pegs->ends($need->demand);
    }

    private function need(Demand $demand, int $index): Need
    {
        $pegs = $this->pegs->serving($demand);
        $covered = 0;
        $orderBy = null;
        $state = $demand->uncovered > 0 ? NeedState::Passed : NeedState::Covered;
        foreach ($pegs as $peg) {
            $one = $this->stateOf($peg, $demand);
            $covered += $one === NeedState::Covered ? $peg->qty : 0;
            $state = self::worse($state, $one);
            if ($peg->supply->isProposal()) {
                $orderBy = min($orderBy ?? PHP_INT_MAX, $peg->supply->start);
            }
        }

        return new Need(
            identity: DemandIdentity::of($demand, $this->plan->structure),
            demand: $demand,
            point: $this->plan->structure->points[$index],
            cover: Cover::of($demand, $pegs),
            pegs: $pegs,
            state: $state,
            short: max(0, $demand->qty - $covered),
            orderBy: $orderBy,
        );
    }

    private function stateOf(Peg $peg, Demand $demand): NeedState
    {
        $supply = $peg->supply;
        $late = $supply->available > $demand->date;
        if ($supply->isProposal()) {
            return match (true) {
                $late && $supply->waitsFor !== null => NeedState::Waiting,
                $late, $supply->start < $this->plan->options->planDate => NeedState::Passed,
                default => NeedState::OrderNow,
            };
        }
        if ($late) {
            return NeedState::Waiting;
        }

        return ! $this->countUnsent && $supply->kind === SupplyKind::Order && $supply->type === OrderKind::Buy && ! $supply->released
            ? NeedState::OrderNow
            : NeedState::Covered;
    }

    private static function worse(NeedState $one, NeedState $other): NeedState
    {
        $order = NeedState::cases();

        return array_search($one, $order, true) <= array_search($other, $order, true) ? $one : $other;
    }
}
