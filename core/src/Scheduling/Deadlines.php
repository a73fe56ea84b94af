<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/**
 * When every operation has to end so that some last operations end no later than they do, and by that an estimate of what a change brings,
 * by the operations that change places alone. It is not exact, as it takes pauses and setups as they are.
 */
final class Deadlines
{
    /** @var array<int, int> minute by operation; what the last ones do not depend on has none */
    private array $ends = [];

    /** @var array<int, int> the same, its units left aside */
    private array $free = [];

    /** @param  array<int, int>  $lasts  minutes by operation */
    public function __construct(private readonly Sequences $sequences, array $lasts)
    {
        $starts = [];
        foreach (array_reverse($sequences->order()) as $task) {
            $free = $lasts[$task] ?? PHP_INT_MAX;
            foreach ($sequences->list->after[$task] as $next => $lag) {
                if ($lag !== null && isset($starts[$next]) && $free > $starts[$next] - $lag) {
                    $free = $starts[$next] - $lag;
                }
            }
            $end = $free;
            foreach ($sequences->unitsOf($task) as $unit) {
                $end = min($end, $starts[$sequences->rightOf($unit, $task)] ?? PHP_INT_MAX);
            }
            if ($end !== PHP_INT_MAX) {
                $this->ends[$task] = $end;
                $this->free[$task] = $free;
                $starts[$task] = $end - $sequences->end[$task] + $sequences->start[$task];
            }
        }
    }

    /** Minutes by which the last ones would end later than they may; below 0 where they would end earlier. */
    public function estimate(Move $move): int
    {
        return $move->segment === [] || count($move->behind) > 1 ? $this->elsewhere($move) : $this->among($move);
    }

    private function elsewhere(Move $move): int
    {
        $sequences = $this->sequences;
        $task = $move->task;
        $start = $sequences->readyAt($task);
        $latest = $this->free[$task] ?? PHP_INT_MAX;
        foreach ($move->behind as $unit => $right) {
            $left = $sequences->leftOf($unit, $right);
            $left === -1 || $left === $task || $start = max($start, $sequences->end[$left]);
            $right === -1 || $right === $task || $latest = min($latest, $this->startOf($right));
        }

        return $latest === PHP_INT_MAX ? 0 : $start + $move->choice->minutes($move->choice->setup) - $latest;
    }

    /** Where operations of one unit change places: each begins behind the one before, in the new order. */
    private function among(Move $move): int
    {
        $sequences = $this->sequences;
        $unit = (int) array_key_first($move->behind);
        $segment = $move->segment;
        $isAhead = $move->task === $segment[0];
        $count = count($segment);
        $before = $sequences->leftOf($unit, $isAhead ? $segment[1] : $move->task);
        $behind = $sequences->rightOf($unit, $isAhead ? $move->task : $segment[$count - 2]);
        $end = $before === -1 ? PHP_INT_MIN : $sequences->end[$before];
        $ends = [];
        foreach ($segment as $task) {
            $end = max($end, $sequences->readyAt($task)) + $sequences->end[$task] - $sequences->start[$task];
            $ends[] = $end;
        }
        $latest = $behind === -1 ? PHP_INT_MAX : $this->startOf($behind);
        $most = PHP_INT_MIN;
        for ($place = $count - 1; $place >= 0; $place--) {
            $task = $segment[$place];
            $latest = min($latest, $this->free[$task] ?? PHP_INT_MAX);
            if ($latest !== PHP_INT_MAX) {
                $most = max($most, $ends[$place] - $latest);
                $latest -= $sequences->end[$task] - $sequences->start[$task];
            }
        }

        return $most;
    }

    private function startOf(int $task): int
    {
        return isset($this->ends[$task])
            ? $this->ends[$task] - $this->sequences->end[$task] + $this->sequences->start[$task]
            : PHP_INT_MAX;
    }
}
