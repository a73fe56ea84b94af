<?php

declare(strict_types=1);

namespace Yposta\Core\Structure;

/** Low-level codes: how far each point is from the tops of the structure at the most. */
final class LowLevelCodes
{
    /** @param  list<Point>  $points */
    public function __construct(private array $points)
    {
    }

    /**
     * Longest distances from the tops; what cannot be reached without passing a loop is in one or below it.
     *
     * @param  array<int, array<int, true>>  $edges
     *
     * @throws LoopFound
     */
    public function assign(array $edges): void
    {
        $waiting = array_fill(0, count($this->points), 0);
        foreach ($edges as $targets) {
            foreach ($targets as $target => $_) {
                $waiting[$target]++;
            }
        }
        $ready = array_keys($waiting, 0, true);
        $done = 0;
        while ($ready !== []) {
            $next = [];
            foreach ($ready as $index) {
                $done++;
                $level = $this->points[$index]->level + 1;
                foreach ($edges[$index] ?? [] as $target => $_) {
                    if ($this->points[$target]->level < $level) {
                        $this->points[$target]->level = $level;
                    }
                    if (--$waiting[$target] === 0) {
                        $next[] = $target;
                    }
                }
            }
            $ready = $next;
        }
        if ($done < count($this->points)) {
            throw $this->loop($edges, $waiting);
        }
    }

    /**
     * Walks against the edges among the points that still wait until one comes up again: everything that waits is fed by another that
     * waits.
     *
     * @param  array<int, array<int, true>>  $edges
     * @param  array<int, int>  $waiting
     */
    private function loop(array $edges, array $waiting): LoopFound
    {
        $feeder = [];
        foreach ($edges as $index => $targets) {
            foreach ($targets as $target => $_) {
                if ($waiting[$index] > 0 && $waiting[$target] > 0) {
                    $feeder[$target] ??= $index;
                }
            }
        }
        $path = [];
        $index = (int) array_key_first($feeder);
        while (! in_array($index, $path, true)) {
            $path[] = $index;
            $index = $feeder[$index];
        }
        $loop = array_reverse(array_slice($path, (int) array_search($index, $path, true)));

        return LoopFound::of(array_map(fn (int $index) => $this->points[$index], $loop));
    }
}
