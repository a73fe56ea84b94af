<?php

declare(strict_types=1);

namespace Yposta\Core\Availability;

use Yposta\Core\Plan\Cover;
use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Projection\HoldUps;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/** Follows an order or a demand down through what serves its needs, as far as something is made or moved. */
final class StructureTree
{
    /** Nodes of an answer. */
    public const MOST = 5_000;

    private readonly PegIndex $pegs;

    /** @var list<Node> */
    private array $nodes = [];

    private int $more = 0;

    /** @var array<int, true> supplies that have been followed, by object id */
    private array $seen = [];

    /** @var array<int, true> demands through which the date is decided, by object id */
    private array $deciding = [];

    public function __construct(private readonly Plan $plan)
    {
        $this->pegs = new PegIndex($plan);
    }

    public function ofOrder(Supply $order): Answer
    {
        $this->decides($order->waitsFor);
        foreach ($order->inputs as $input) {
            $this->follow($input, -1, 0);
        }
        $last = $order->waitsFor;
        $uncovered = array_filter($order->inputs, fn (Demand $input) => $input->uncovered > 0);
        $holdUp = $last === null ? null : $this->plan->holdUp($last);
        if ($holdUp === null && $order->available > $order->due) {
            $holdUp = (new HoldUps($this->plan->options, $this->plan->structure))->begunIn($order);
        }

        return new Answer(
            root: $order,
            wanted: $order->due,
            complete: $uncovered === [] ? $order->available : null,
            decidedBy: $holdUp,
            decidedAt: $holdUp === null ? null : $this->plan->structure->points[$holdUp->supply->point],
            nodes: $this->nodes,
            more: $this->more,
        );
    }

    public function ofDemand(Demand $demand): Answer
    {
        $demand->lateDays() > 0 && $this->decides($demand);
        $this->follow($demand, -1, 0);
        $holdUp = $this->plan->holdUp($demand);

        return new Answer(
            root: $demand,
            wanted: (int) $demand->date,
            complete: $demand->uncovered > 0 ? null : $demand->expected,
            decidedBy: $holdUp,
            decidedAt: $holdUp === null ? null : $this->plan->structure->points[$holdUp->supply->point],
            nodes: $this->nodes,
            more: $this->more,
        );
    }

    private function decides(?Demand $demand): void
    {
        for (; $demand !== null; $demand = $demand->last?->waitsFor) {
            $this->deciding[spl_object_id($demand)] = true;
        }
    }

    private function follow(Demand $demand, int $parent, int $depth): void
    {
        if (count($this->nodes) >= self::MOST) {
            $this->more++;

            return;
        }
        $pegs = $this->pegs->serving($demand);
        $next = [];
        $again = false;
        foreach ($pegs as $peg) {
            if ($peg->supply->inputs !== []) {
                isset($this->seen[spl_object_id($peg->supply)]) ? $again = true : $next[] = $peg->supply;
                $this->seen[spl_object_id($peg->supply)] = true;
            }
        }
        $place = count($this->nodes);
        $this->nodes[] = new Node(
            parent: $parent,
            depth: $depth,
            demand: $demand,
            point: $this->plan->structure->points[$demand->point],
            cover: Cover::of($demand, $pegs),
            onHand: $this->onHand($demand->point),
            decides: isset($this->deciding[spl_object_id($demand)]),
            again: $again,
        );
        foreach ($next as $supply) {
            foreach ($supply->inputs as $input) {
                $this->follow($input, $place, $depth + 1);
            }
        }
    }

    private function onHand(int $point): int
    {
        foreach ($this->plan->supplies[$point] ?? [] as $supply) {
            if ($supply->kind === SupplyKind::Stock) {
                return $supply->qty;
            }
        }

        return 0;
    }
}
