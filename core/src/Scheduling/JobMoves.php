<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/** Moves a whole job, operation by operation. */
final readonly class JobMoves
{
    public function __construct(private Sequences $sequences)
    {
    }

    /**
     * Sooner: each operation before all that has not begun when it is ready.
     *
     * @param  int  $last  operation of the job
     * @param  bool  $passesAll  whether also before what counts as much or more
     */
    public function sooner(int $last, bool $passesAll): bool
    {
        $sequences = $this->sequences;
        for ($task = $last - $sequences->tasks[$last]->place; $task <= $last; $task++) {
            $unit = $this->unitOf($task);
            if ($unit === null) {
                continue;
            }
            $ready = $sequences->readyAt($task);
            $right = $task;
            while (($left = $sequences->leftOf($unit, $right)) !== -1 && $sequences->start[$left] >= $ready
                && ! $sequences->tasks[$left]->begun && ($passesAll || $sequences->list->weight[$left] < $sequences->list->weight[$task])) {
                $right = $left;
            }
            if ($right !== $task && ! $sequences->move($task, $sequences->choiceOf($task), [$unit => $right])) {
                return false;
            }
        }

        return true;
    }

    /**
     * Later: its last operation behind all that begins before a minute, the others so far that they still come before it.
     *
     * @param  int  $first  the first operation that is moved; those before it stay
     */
    public function later(int $first, int $minute): bool
    {
        $sequences = $this->sequences;
        $last = $sequences->list->lasts[$sequences->tasks[$first]->job];
        for ($task = $last; $task >= $first; $task--) {
            $unit = $this->unitOf($task);
            if ($unit === null) {
                continue;
            }
            $right = $sequences->rightOf($unit, $task);
            $isMoved = false;
            while ($right !== -1 && $sequences->start[$right] < $minute) {
                $right = $sequences->rightOf($unit, $right);
                $isMoved = true;
            }
            if ($isMoved && ! $sequences->move($task, $sequences->choiceOf($task), [$unit => $right])) {
                return false;
            }
            $minute = $sequences->start[$task];
        }

        return true;
    }

    /** The one unit that an operation stands on and may leave its place at; null where there is none. */
    private function unitOf(int $task): ?int
    {
        $units = $this->sequences->unitsOf($task);

        return count($units) === 1 && Moves::mayPass($this->sequences, $task, -1) ? $units[0] : null;
    }
}
