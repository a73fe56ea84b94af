<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/**
 * An order of operations in which none stands before what it waits for; where one is to wait for another that stands behind it, only what
 * lies between both changes places.
 */
final class ReckoningOrder
{
    /** @var array<int, int> place of each */
    public array $rank = [];

    /** @var list<array{int, int}> operation and place before changes */
    private array $was = [];

    /** @param  array<int, int>  $order */
    public function __construct(public array $order)
    {
        $rank = array_flip($order);
        ksort($rank);
        $this->rank = array_values($rank);
    }

    /** Makes one stand before another that is to wait for it; false where it waits for that. */
    public function put(int $one, int $other, Sequences $sequences): bool
    {
        $low = $this->rank[$other];
        $high = $this->rank[$one];
        if ($high < $low) {
            return true;
        }
        $forward = $this->behind($other, $high, $sequences);
        if (isset($forward[$one])) {
            return false;
        }
        $backward = $this->ahead($one, $low, $sequences);
        asort($forward);
        asort($backward);
        $ranks = [...$forward, ...$backward];
        sort($ranks);
        foreach ([...array_keys($backward), ...array_keys($forward)] as $place => $task) {
            $this->was[] = [$task, $this->rank[$task]];
            $this->rank[$task] = $ranks[$place];
            $this->order[$ranks[$place]] = $task;
        }

        return true;
    }

    public function takeBack(): void
    {
        foreach (array_reverse($this->was) as [$task, $rank]) {
            $this->rank[$task] = $rank;
            $this->order[$rank] = $task;
        }
        $this->was = [];
    }

    public function keep(): void
    {
        $this->was = [];
    }

    /** @return array<int, int> places of what waits for an operation, up to a place; what is not yet in order is left out, as its turn comes */
    private function behind(int $task, int $high, Sequences $sequences): array
    {
        $found = [$task => $this->rank[$task]];
        for ($stack = [$task]; $stack !== [];) {
            $one = array_pop($stack);
            foreach ($sequences->following($one) as $next) {
                $rank = $this->rank[$next];
                if ($rank <= $high && $rank > $this->rank[$one] && ! isset($found[$next])) {
                    $found[$next] = $rank;
                    $stack[] = $next;
                }
            }
        }

        return $found;
    }

    /** @return array<int, int> places of what an operation waits for, down to a place */
    private function ahead(int $task, int $low, Sequences $sequences): array
    {
        $found = [$task => $this->rank[$task]];
        for ($stack = [$task]; $stack !== [];) {
            $one = array_pop($stack);
            foreach ($sequences->preceding($one) as $before) {
                $rank = $this->rank[$before];
                if ($rank > $low && $rank < $this->rank[$one] && ! isset($found[$before])) {
                    $found[$before] = $rank;
                    $stack[] = $before;
                }
            }
        }

        return $found;
    }
}
