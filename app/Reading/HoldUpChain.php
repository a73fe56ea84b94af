<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\ThreadStep;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\SupplyKind;

/** The chain of a thread that decides the date: where the time goes on it, and in what it begins. */
final readonly class HoldUpChain
{
    public function __construct(private ThreadGround $ground)
    {
    }

    /**
     * Where the time goes on the chain that decides the date, from its beginning to the customer.
     *
     * @return list<ThreadStep>
     */
    public function steps(Demand $line): array
    {
        $chain = [];
        for ($demand = $line; ($latest = PegGraph::latest($this->ground->served($demand))) !== null;) {
            array_unshift($chain, [$latest, $demand]);
            $demand = $this->ground->waitsFor($latest);
            if ($demand === null) {
                break;
            }
        }
        $steps = [];
        $before = null;
        foreach ($chain as [$supply, $demand]) {
            $item = $this->ground->place($supply)->item;
            $what = $supply->kind === SupplyKind::Stock
                ? 'stock'
                : ($supply->isProposal() ? 'proposed_' : 'ordered_').($supply->type->value ?? 'make');
            $steps[] = new ThreadStep(
                (string) trans("thread.step.{$what}", ['item' => $item, 'name' => $supply->name]),
                $this->ground->dates()->iso($supply->available),
                $before === null ? max(0, $supply->available - (int) $demand->date) : max(0, $supply->available - $before),
                $before === null,
            );
            $before = $supply->available;
        }

        return $steps;
    }

    /** The supply in which a late sales line's delay begins, with its need. */
    public function beginning(Demand $line): ?Peg
    {
        $found = null;
        for ($demand = $line; $demand !== null && ($pegs = $this->ground->served($demand)) !== [];) {
            $latest = PegGraph::latest($pegs);
            foreach ($pegs as $peg) {
                $peg->supply === $latest && $found = $peg;
            }
            $demand = $latest === null ? null : $this->ground->waitsFor($latest);
        }

        return $found;
    }
}
