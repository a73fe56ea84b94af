<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Calendar\Minute;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Supply;

/**
 * Places operations one after the other, each where it ends soonest, by the rule who goes first (scheduling rules, section 4). What keeps
 * its place is put there before; where it turns out that it cannot stay, all is placed again without it.
 */
final class Scheduler
{
    private readonly Jobs $jobs;

    private readonly SetupChanges $setups;

    /** @var array<string, true> operations that cannot keep their place, by job and place */
    private array $moved = [];

    /** @var array<int, string> jobs that cannot be placed, with the centre at which there is no room */
    private array $given = [];

    /** @var array<string, Placed> by job and place */
    private array $placed = [];

    /** @var array<string, Placed> by job and place, before what is early was moved later */
    private array $forward = [];

    /** @var array<string, true> operations that waited for a unit */
    private array $waited = [];

    /** @var array<string, int> minute from which on an operation could have begun, by job and place */
    private array $ready = [];

    private Machines $machines;

    private ShopDates $dates;

    /**
     * @param  Plan  $plan  fresh: its dates are made those of the schedule
     * @param  Standing|null  $standing  what stands in the shop and is not moved, with what is placed into the gaps; null for all of it
     */
    public function __construct(
        private readonly Plan $plan,
        private readonly Shop $shop,
        private readonly ScheduleOptions $options,
        private readonly ?Standing $standing = null,
    ) {
        $this->jobs = new Jobs($plan, $shop, $options, $standing?->more);
        $this->setups = new SetupChanges($plan->network);
    }

    /** @param  int|null  $urgency  hundredths of a day by which each unit of weight makes a job more urgent; null for the rule */
    public function schedule(?int $urgency = null): Schedule
    {
        $this->moved = $this->given = [];
        $this->jobs->takeAll();
        while (! $this->pass($urgency)) {
            // again, without what could not stay
        }
        $this->forward = $this->placed;

        return $this->made();
    }

    /** What was scheduled, as sequences that can be changed; null where it cannot be told who follows whom. */
    public function sequences(): ?Sequences
    {
        $sequences = new Sequences(
            new TaskList($this->jobs, $this->forward, $this->moved), $this->shop, $this->setups, $this->forward,
            fn (Task $task) => $this->earliest($task, false),
        );

        return $sequences->reckonAll() ? $sequences : null;
    }

    /** The schedule by changed sequences, with all dates as they come of it; null where something would not keep its place. */
    public function by(Sequences $sequences): ?Schedule
    {
        $this->machines = new Machines($this->shop, $this->setups);
        $this->placed = $this->waited = $this->ready = [];
        $this->dates = new ShopDates($this->plan);
        foreach ($sequences->order() as $number) {
            $task = $sequences->tasks[$number];
            if (! $sequences->settle($number, $this->earliest($task, false))) {
                return null;
            }
            $this->stands($task, $sequences->placed($number), $this->earliest($task));
        }

        return $this->made();
    }

    private function made(): Schedule
    {
        $this->options->direction === ScheduleDirection::Backward && $this->pushLater();

        return new Schedule(
            plan: $this->plan, jobs: $this->jobs, placed: $this->placed, frozenMoved: $this->moved, given: $this->given,
            waited: $this->waited, ready: $this->ready,
        );
    }

    /** Whether all that kept its place could keep it. */
    private function pass(?int $urgency): bool
    {
        $this->machines = $this->standing?->machines() ?? new Machines($this->shop, $this->setups);
        $this->placed = $this->waited = $this->ready = [];
        $this->dates = new ShopDates($this->plan, $this->standing);
        $this->keep();
        $turns = new Turns($this->jobs, $this->options, $this->given, $urgency);
        $isSound = true;
        while (($task = $turns->next($this->machines, $this->earliest(...))) !== null) {
            $key = "{$task->job} {$task->place}";
            $from = $this->earliest($task);
            if (isset($this->placed[$key])) {
                if ($this->placed[$key]->start < $from) {
                    $this->moved[$key] = true;
                    $isSound = false;
                }
                $this->ready[$key] = $from;
                $this->options->keeps && $this->compare($task, $this->placed[$key], $from);
                $this->finishWith($task);
            } else {
                $placed = $this->machines->soonest($task, $from);
                if ($placed === null) {
                    $this->given[$task->job] = $task->choices[0]->centre;
                    $this->jobs->leaveOut($this->jobs->all[$task->job]);

                    return false;
                }
                $this->stands($task, $placed, $from);
            }
            $turns->done($task);
        }

        return $isSound;
    }

    /** @param  int  $from  since when it could have begun */
    private function stands(Task $task, Placed $placed, int $from): void
    {
        $this->machines->put($task, $placed);
        $this->placed["{$task->job} {$task->place}"] = $placed;
        $this->ready["{$task->job} {$task->place}"] = $from;
        $this->compare($task, $placed, $from);
        $this->finishWith($task);
    }

    /** Whether it ends later than it would if no unit had been taken. */
    private function compare(Task $task, Placed $placed, int $from): void
    {
        $alone = $this->machines->alone($task, $task->choices[0], $from);
        $alone !== null && $placed->end > $alone && $this->waited["{$task->job} {$task->place}"] = true;
    }

    /** The last operation of a job says when it is there. */
    private function finishWith(Task $task): void
    {
        $job = $this->jobs->all[$task->job];
        $task === $job->last() && $this->dates->finish($job, $this->endOf($job));
    }

    /** Puts what keeps its place there, the first first; what cannot be there is placed like others. */
    private function keep(): void
    {
        $keep = [];
        foreach ($this->jobs->all as $job) {
            foreach (isset($this->given[$job->place]) ? [] : $job->tasks as $task) {
                if (($task->fixed || $task->frozen) && ! isset($this->moved["{$task->job} {$task->place}"])) {
                    $keep[] = $task;
                }
            }
        }
        // where all that stands is kept, what a person has put somewhere goes before what a schedule has
        $byHand = fn (Task $task) => $this->options->keeps && ! $task->byHand;
        usort($keep, fn (Task $a, Task $b) => [$byHand($a), $a->old?->start, $a->job, $a->place]
            <=> [$byHand($b), $b->old?->start, $b->job, $b->place]);
        foreach ($keep as $task) {
            $old = $task->old;
            $placed = $old === null || count($old->units) !== $task->crew || $old->start < $this->jobs->all[$task->job]->notBefore
                ? null
                : $this->machines->exactly($task, $old->centre, $old->units, $old->start);
            if ($placed === null || ($task->frozen && $old->end !== Placed::OPEN && $placed->end !== $old->end)) {
                $this->moved["{$task->job} {$task->place}"] = true;
            } else {
                $this->machines->put($task, $placed);
                $this->placed["{$task->job} {$task->place}"] = $placed;
            }
        }
    }

    /**
     * The first minute at which an operation may start; all that it waits for has been placed.
     *
     * @param  bool  $isWhole  whether what it waits for in the schedule counts
     */
    private function earliest(Task $task, bool $isWhole = true): int
    {
        $job = $this->jobs->all[$task->job];
        $from = $job->notBefore;
        if ($isWhole && $task->place > 0) {
            $before = $job->tasks[$task->place - 1];
            $end = $this->placed["{$before->job} {$before->place}"]->end;
            $from = max($from, $end + Quantity::lots($before->move + $task->queue, Quantity::ONE));
        }
        foreach ($task->waits as [$supply]) {
            if ($isWhole || $this->jobs->of($supply) === null) {
                $from = max($from, $this->there($supply));
            }
        }

        return $from;
    }

    /** The minute from which on the material of a supply is there. */
    private function there(Supply $supply): int
    {
        $job = $this->jobs->of($supply);
        $stands = $job === null ? $this->standing?->endOf($supply) : $this->endOf($job);
        if ($stands !== null) {
            return $stands;
        }

        return ($this->dates->of($supply) + ($supply->type === OrderKind::Make ? 1 : 0)) * Minute::DAY;
    }

    /** When the last operation of a job has been moved on. */
    private function endOf(Job $job): int
    {
        $last = $job->last();

        return $this->placed["{$last->job} {$last->place}"]->end + Quantity::lots($last->move, Quantity::ONE);
    }

    /** Moves what is early to as late as it may be: the last first, so that what feeds it can follow. */
    private function pushLater(): void
    {
        $tasks = [];
        $feeds = [];
        $outside = $this->jobs->feedingOutside();
        foreach ($this->jobs->all as $job) {
            foreach (isset($this->given[$job->place]) ? [] : $job->tasks as $task) {
                $tasks[] = $task;
                foreach ($task->waits as [$supply]) {
                    $own = $this->jobs->of($supply);
                    if ($own !== null) {
                        $feeds[$own->place][] = $task;
                    }
                }
            }
        }
        usort($tasks, fn (Task $a, Task $b) => [
            $this->placed["{$b->job} {$b->place}"]->start, $b->job, $b->place,
        ] <=> [$this->placed["{$a->job} {$a->place}"]->start, $a->job, $a->place]);
        foreach ($tasks as $task) {
            $key = "{$task->job} {$task->place}";
            $placed = $this->placed[$key];
            $job = $this->jobs->all[$task->job];
            $isKept = ($task->fixed || $task->frozen) && ! isset($this->moved[$key]);
            if ($placed->minutes === 0 || $task->begun || $isKept) {
                continue;
            }
            $later = $this->machines->later($placed, $this->latest($task, $job, $feeds[$task->job] ?? [], isset($outside[$task->job])));
            if ($later !== null) {
                $this->machines->take($placed);
                $this->machines->put($task, $later);
                $this->placed[$key] = $later;
            }
        }
    }

    /**
     * When an operation has to end at the latest.
     *
     * @param  list<Task>  $fed  what waits for the job
     * @param  bool  $keepsDay  whether something outside the schedule goes by the day on which the job is there
     */
    private function latest(Task $task, Job $job, array $fed, bool $keepsDay): int
    {
        if ($task !== $job->last()) {
            $next = $job->tasks[$task->place + 1];

            return $this->placed["{$next->job} {$next->place}"]->start - Quantity::lots($task->move + $next->queue, Quantity::ONE);
        }
        $move = Quantity::lots($task->move, Quantity::ONE);
        $latest = ($job->latest + 1) * Minute::DAY - $move;
        foreach ($fed as $one) {
            $latest = min($latest, $this->placed["{$one->job} {$one->place}"]->start - $move);
        }
        $day = Minute::day($this->endOf($job) - 1);

        return $keepsDay ? min($latest, ($day + 1) * Minute::DAY - $move) : $latest;
    }
}
