<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/**
 * Looks for a better schedule by changing who follows whom, step by step. For an early end of all, the best of the changes that may help
 * is made also where it is worse than before, by an estimate; for few days late each is worked out, and one that is worse is made only
 * where it is not worse than it was some steps ago. What was just changed is not changed back for a while; where nothing better was
 * found for long, it goes on from the best, shaken. Steps are counted and chance is seeded, so that the same input gives the same
 * schedule; the result is never worse than what it began with.
 */
final class Improvement
{
    /** Steps without anything better before it goes on from the best. */
    private const PATIENCE = 4_000;

    /** Moves by chance at most with which it goes on from the best. */
    private const SHAKES = 30;

    /** Hundredths of a day by which a unit of weight makes a job more urgent: what is tried first, a step each. */
    private const URGENCIES = [20, 30, 50, 80, 200, 400];

    /** Changes of a step that are worked out: of one operation, of the late job, and of jobs in its way. */
    private const OF_ONE = 5;

    private const OF_OTHERS = 2;

    /** A change may be worse than the last, but not than so many steps ago. */
    private const STEPS_AGO = 20;

    private readonly Chance $chance;

    private readonly Moves $moves;

    private readonly Memory $memory;

    private readonly ScheduleAim $aim;

    /** @var array<int, list<int>> what it was worth, by step modulo those that count */
    private array $worths = [];

    private int $steps = 0;

    public function __construct(private readonly Scheduler $scheduler, private readonly ScheduleOptions $options)
    {
        $this->aim = $options->aim;
        $this->chance = new Chance($options->seed);
        $this->moves = new Moves($this->chance, $options->aim);
        $this->memory = new Memory($this->chance);
    }

    /**
     * @param  Schedule  $start  made by the scheduler last
     * @param  callable(int, Schedule|Sequences): bool  $goesOn  told the steps made and the best so far; whether there is time for another
     * @return array{Schedule, int} the best found, and the steps that were made
     */
    public function of(Schedule $start, callable $goesOn): array
    {
        $this->steps = 0;
        $start = $this->aim === ScheduleAim::Late ? $this->byWeight($start, $goesOn) : $start;
        $sequences = $this->options->steps > $this->steps ? $this->scheduler->sequences() : null;
        if ($sequences === null || count($sequences->tasks) < 2) {
            return [$start, $this->steps];
        }
        $best = $this->search($sequences, $goesOn);
        $found = $this->scheduler->by($best);

        return [$found !== null && $found->score($this->aim) < $start->score($this->aim) ? $found : $start, $this->steps];
    }

    /**
     * The best by rules that weigh how late a job is against how much it counts.
     *
     * @param  callable(int, Schedule|Sequences): bool  $goesOn
     */
    private function byWeight(Schedule $best, callable $goesOn): Schedule
    {
        $urgency = null;
        foreach (self::URGENCIES as $one) {
            if ($this->steps >= $this->options->steps || ! $goesOn($this->steps, $best)) {
                break;
            }
            $this->steps++;
            $found = $this->scheduler->schedule($one);
            if ($found->score($this->aim) < $best->score($this->aim)) {
                [$best, $urgency] = [$found, $one];
            }
        }

        return $this->steps > 0 ? $this->scheduler->schedule($urgency) : $best; // from which the search goes on
    }

    /** @param  callable(int, Schedule|Sequences): bool  $goesOn */
    private function search(Sequences $sequences, callable $goesOn): Sequences
    {
        $best = clone $sequences;
        $score = $best->score($this->aim);
        for ($since = 0; $this->steps < $this->options->steps && $goesOn($this->steps, $best); $since++) {
            $this->steps++;
            if ($since > self::PATIENCE) {
                $sequences = $this->shaken($best);
                $since = 0;
            }
            if (! $this->step($sequences, $score)) {
                $since = self::PATIENCE;
            } elseif ($sequences->score($this->aim) < $score) {
                $best = clone $sequences;
                $score = $best->score($this->aim);
                $since = 0;
            }
        }

        return $best;
    }

    /**
     * Makes the best change of those that may help, where it is good enough; false where none can be made.
     *
     * @param  list<int>  $score  of the best so far
     */
    private function step(Sequences $sequences, array $score): bool
    {
        $last = $this->moves->worst($sequences);
        $moves = $this->moves->of($sequences, $last);
        if ($last === null) {
            return $this->makeWorkedOut($sequences, array_map(fn (Move $move) => Attempt::ofOne($move), $moves), $score);
        }
        if ($this->aim === ScheduleAim::Makespan) {
            return $this->makeEstimated($sequences, $this->estimated($sequences, $moves, $sequences->list->lasts), $score);
        }
        $changes = array_slice($this->estimated($sequences, $moves, [$last]), 0, self::OF_ONE);
        $passesAll = $this->chance->below(2) === 0;
        $changes[] = Attempt::ofJob(fn (JobMoves $jobs) => $jobs->sooner($last, $passesAll));
        foreach ($this->moves->inTheWay($sequences, $last, self::OF_OTHERS) as [$other, $minute]) {
            $first = $this->chance->below(2) === 0 ? $other : $other - $sequences->tasks[$other]->place;
            $changes[] = Attempt::ofJob(fn (JobMoves $jobs) => $jobs->later($first, $minute));
        }

        return $this->makeWorkedOut($sequences, $changes, $score);
    }

    /**
     * @param  list<Attempt>  $changes  the best first
     * @param  list<int>  $score
     */
    private function makeEstimated(Sequences $sequences, array $changes, array $score): bool
    {
        $now = $sequences->score($this->aim)[0];
        $order = [];
        foreach ($changes as $place => $change) {
            $isKept = $now + $change->estimate >= $score[0] && $change->move !== null && $this->memory->has($change->move, $this->steps);
            $order[$place] = $isKept ? [1, $this->chance->below(count($changes))] : [0, $change->estimate];
        }
        asort($order);
        foreach ($order as $place => $_) {
            if ($this->isMade($sequences, $changes[$place])) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  list<Attempt>  $changes
     * @param  list<int>  $score
     */
    private function makeWorkedOut(Sequences $sequences, array $changes, array $score): bool
    {
        $now = $sequences->worth();
        $best = $worth = null;
        foreach ($changes as $change) {
            $found = $change->make($sequences) ? $sequences->worth() : null;
            $isBetter = $found !== null && $sequences->score($this->aim) < $score;
            $sequences->takeBack();
            $isLeft = $change->move === null ? $found === $now : ! $isBetter && $this->memory->has($change->move, $this->steps);
            if ($found !== null && ! $isLeft && ($worth === null || $found < $worth)) {
                [$best, $worth] = [$change, $found];
            }
        }
        if ($best === null || $worth === null) {
            return false;
        }
        $place = $this->steps % self::STEPS_AGO;
        $isGood = $worth <= max($now, $this->worths[$place] ?? $now);
        $this->worths[$place] = $isGood ? $worth : $now;

        return ! $isGood || $this->isMade($sequences, $best);
    }

    private function isMade(Sequences $sequences, Attempt $change): bool
    {
        $on = $change->move === null ? [] : $sequences->unitsOf($change->move->task);
        if (! $change->make($sequences)) {
            $sequences->takeBack();

            return false;
        }
        $sequences->keep();
        $change->move === null || $this->memory->keep($change->move, $on, $this->steps);

        return true;
    }

    /**
     * @param  list<Move>  $moves
     * @param  array<int>  $lasts  operations that should end earlier
     * @return list<Attempt> the best first
     */
    private function estimated(Sequences $sequences, array $moves, array $lasts): array
    {
        $end = max([0, ...array_map(fn (int $last) => $sequences->end[$last], $lasts)]);
        $deadlines = new Deadlines($sequences, array_fill_keys($lasts, $end));
        $changes = array_map(fn (Move $move) => Attempt::ofOne($move, $deadlines->estimate($move)), $moves);
        usort($changes, fn (Attempt $one, Attempt $other) => $one->estimate <=> $other->estimate);

        return $changes;
    }

    private function shaken(Sequences $best): Sequences
    {
        $this->memory->forget();
        $this->worths = [];
        $sequences = clone $best;
        for ($left = 1 + $this->chance->below(self::SHAKES); $left > 0; $left--) {
            $moves = $this->moves->of($sequences, $this->moves->worst($sequences));
            if ($moves !== []) {
                $move = $moves[$this->chance->below(count($moves))];
                $sequences->move($move->task, $move->choice, $move->behind) ? $sequences->keep() : $sequences->takeBack();
            }
        }

        return $sequences;
    }
}
