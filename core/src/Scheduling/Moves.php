<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/**
 * Changes of sequences that may help: along the chain of waits that decides when a job ends, those that wait for a unit are put before what
 * they wait for, or on other units.
 */
final class Moves
{
    /** How many are looked at in one step at most. */
    private const MOST = 100;

    /** How much later a job in the way is put at most, in minutes and how often. */
    private const HALF_A_DAY = 720;

    private const HALF_DAYS = 3;

    /** How many operations are tried by chance where none counts. */
    private const ANYWHERE = 4;

    public function __construct(private readonly Chance $chance, private readonly ScheduleAim $aim)
    {
    }

    /**
     * @param  int|null  $last  the last operation of a job that counts
     * @return list<Move>
     */
    public function of(Sequences $sequences, ?int $last): array
    {
        $moves = [];
        foreach ($last === null ? [] : $this->blocks($sequences, $last) as [$unit, $block]) {
            $length = count($block);
            for ($at = 0; $at < $length; $at++) {
                $at > 0 && $moves[] = $this->swap($sequences, $block[$at - 1], $block[$at]);
                $at > 1 && $moves[] = $this->before($sequences, $unit, $block[$at], array_slice($block, 0, $at));
                $at < $length - 2 && $moves[] = $this->behind($sequences, $unit, $block[$at], array_slice($block, $at + 1));
                array_push($moves, ...$this->elsewhere($sequences, $block[$at]));
            }
        }
        $moves = array_values(array_filter($moves));
        if ($moves === []) {
            $moves = $this->anywhere($sequences);
        }
        while (count($moves) > self::MOST) {
            array_splice($moves, $this->chance->below(count($moves)), 1);
        }

        return $moves;
    }

    /** The last operation of one of the jobs that count; null where none does. */
    public function worst(Sequences $sequences): ?int
    {
        $lasts = array_values($sequences->list->lasts);
        if ($this->aim === ScheduleAim::Makespan) {
            $ends = array_map(fn (int $last) => $sequences->end[$last], $lasts);
            $latest = array_keys($ends, max([0, ...$ends]), true);

            return $lasts[$latest[$this->chance->below(count($latest))]];
        }
        $late = array_values(array_filter($lasts, fn (int $last) => $sequences->lateOf($last) > 0));

        return $late === [] ? null : $late[$this->chance->below(count($late))];
    }

    /** @return list<array{int, list<int>}> unit and the operations that wait for each other on it, the first first; the last block first */
    private function blocks(Sequences $sequences, int $last): array
    {
        $blocks = [];
        $block = [$last];
        $on = null;
        for ($task = $last; ($wait = $sequences->waitedFor($task)) !== null; $task = $wait[0]) {
            if ($wait[1] !== $on && count($block) > 1) {
                $blocks[] = [$on ?? -1, array_reverse($block)];
            }
            $block = $wait[1] === -1 ? [$wait[0]] : ($wait[1] === $on ? [...$block, $wait[0]] : [$task, $wait[0]]);
            $on = $wait[1] === -1 ? null : $wait[1];
        }
        count($block) > 1 && $blocks[] = [$on ?? -1, array_reverse($block)];

        return $blocks;
    }

    /** The second of two neighbours before the first, on all units that they share. */
    private function swap(Sequences $sequences, int $first, int $second): ?Move
    {
        if (! self::mayPass($sequences, $second, $first)) {
            return null;
        }
        $behind = [];
        foreach ($sequences->unitsOf($second) as $unit) {
            $behind[$unit] = $sequences->leftOf($unit, $second) === $first ? $first : $sequences->rightOf($unit, $second);
        }

        return new Move($second, $sequences->choiceOf($second), $behind, [$second, $first], [[$second, $first]]);
    }

    /**
     * One of a block before others of it.
     *
     * @param  list<int>  $others  from the one that it is put before to its left neighbour
     */
    private function before(Sequences $sequences, int $unit, int $task, array $others): ?Move
    {
        if (count($sequences->unitsOf($task)) !== 1 || ! self::mayPass($sequences, $task, $others[0])) {
            return null;
        }

        return new Move(
            $task, $sequences->choiceOf($task), [$unit => $others[0]], [$task, ...$others],
            array_map(fn (int $one) => [$task, $one], $others),
        );
    }

    /**
     * One of a block behind others of it.
     *
     * @param  list<int>  $others  from its right neighbour to the one that it is put behind
     */
    private function behind(Sequences $sequences, int $unit, int $task, array $others): ?Move
    {
        if (count($sequences->unitsOf($task)) !== 1 || ! self::mayPass($sequences, $task, -1)) {
            return null;
        }
        $right = $sequences->rightOf($unit, $others[count($others) - 1]);

        return new Move(
            $task, $sequences->choiceOf($task), [$unit => $right], [...$others, $task], array_map(fn (int $one) => [$one, $task], $others),
        );
    }

    public static function mayPass(Sequences $sequences, int $task, int $other): bool
    {
        $isAhead = $other !== -1 && $sequences->tasks[$other]->begun && ! $sequences->tasks[$task]->begun;

        return $sequences->list->kept[$task] === null && ! $sequences->tasks[$task]->begun && ! $isAhead;
    }

    /** @return list<Move> an operation on other units, where it could begin when it is ready, or one later */
    private function elsewhere(Sequences $sequences, int $task): array
    {
        $work = $sequences->tasks[$task];
        if ($sequences->list->kept[$task] !== null || $work->begun) {
            return [];
        }
        $own = $sequences->unitsOf($task);
        if ($own === []) {
            return []; // it stands in nobody's way
        }
        $moves = [];
        $ready = $sequences->readyAt($task);
        foreach ($work->choices as $choice) {
            $units = array_values(array_diff($sequences->unitsAt($choice->centre), $own));
            if ($work->crew === 1) {
                while (count($units) > 3) {
                    array_splice($units, $this->chance->below(count($units)), 1);
                }
                foreach ($units as $unit) {
                    $right = $this->behindAt($sequences, $unit, $ready);
                    $moves[] = new Move($task, $choice, [$unit => $right]);
                    $right === -1 || $moves[] = new Move($task, $choice, [$unit => $sequences->rightOf($unit, $right)]);
                }
            } elseif (count($units) >= $work->crew || ($choice->centre === $sequences->choiceOf($task)->centre && $units !== [])) {
                $all = $sequences->unitsAt($choice->centre);
                while (count($all) > $work->crew) {
                    array_splice($all, $this->chance->below(count($all)), 1);
                }
                $behind = [];
                foreach ($all as $unit) {
                    $right = $this->behindAt($sequences, $unit, $ready);
                    $behind[$unit] = $right === $task ? $sequences->rightOf($unit, $task) : $right;
                }
                $moves[] = new Move($task, $choice, $behind);
            }
        }

        return $moves;
    }

    /** What a unit holds that begins at a minute or after it, and that may be passed; -1 for none. */
    private function behindAt(Sequences $sequences, int $unit, int $minute): int
    {
        $node = $sequences->rightOf($unit, -1);
        while ($node !== -1 && ($sequences->start[$node] < $minute || $sequences->tasks[$node]->begun)) {
            $node = $sequences->rightOf($unit, $node);
        }

        return $node;
    }

    /** @return list<array{int, int}> operations of other jobs in the way of one, and the minute behind which their jobs may be put, some by chance */
    public function inTheWay(Sequences $sequences, int $last, int $number): array
    {
        $own = $sequences->tasks[$last]->job;
        $others = [];
        foreach ($this->blocks($sequences, $last) as [, $block]) {
            foreach ($block as $task) {
                $sequences->tasks[$task]->job === $own || $others[] = $task;
            }
        }
        $found = [];
        for (; $others !== [] && $number > 0; $number--) {
            [$other] = array_splice($others, $this->chance->below(count($others)), 1);
            $found[] = [$other, $sequences->end[$last] + $this->chance->below(self::HALF_DAYS) * self::HALF_A_DAY];
        }

        return $found;
    }

    /** @return list<Move> some by chance, where nothing is late: setups and waiting are left to be lowered */
    private function anywhere(Sequences $sequences): array
    {
        $moves = [];
        $count = count($sequences->tasks);
        for ($tries = 0; $tries < self::ANYWHERE; $tries++) {
            $task = $this->chance->below($count);
            foreach ($sequences->unitsOf($task) as $unit) {
                $left = $sequences->leftOf($unit, $task);
                if ($left !== -1) {
                    $moves[] = $this->swap($sequences, $left, $task);
                    break;
                }
            }
            array_push($moves, ...$this->elsewhere($sequences, $task));
        }

        return array_values(array_filter($moves));
    }
}
