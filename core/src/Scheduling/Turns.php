<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use SplMinHeap;

/** Whose turn it is among the operations that wait for nothing that is still to be placed. */
final class Turns
{
    /** @var array<string, array{list<int|string>, Task}> what it goes by, and the operation, by job and place */
    private array $ready = [];

    /** @var SplMinHeap<array{list<int|string>, string}> the same by what it goes by; what has had its turn may still be in it */
    private readonly SplMinHeap $heap;

    /** @var array<string, int> jobs that an operation still waits for */
    private array $open = [];

    /** @var array<int, list<Task>> operations that wait for a job */
    private array $waiting = [];

    /** @var array<int, int> place of the next operation of each job */
    private array $next = [];

    /**
     * @param  array<int, string>  $without  jobs that are left out
     * @param  int|null  $urgency  hundredths of a day by which each unit of weight makes a job more urgent; null for the rule
     */
    public function __construct(
        private readonly Jobs $jobs,
        private readonly ScheduleOptions $options,
        array $without,
        private readonly ?int $urgency = null,
    ) {
        $this->heap = new SplMinHeap;
        foreach ($jobs->all as $job) {
            if (isset($without[$job->place])) {
                continue;
            }
            $this->next[$job->place] = 0;
            foreach ($job->tasks as $task) {
                $for = [];
                foreach ($task->waits as [$supply]) {
                    $for += $jobs->below($supply);
                }
                $for = array_diff_key($for, $without);
                $this->open["{$task->job} {$task->place}"] = count($for);
                foreach ($for as $other => $_) {
                    $this->waiting[$other][] = $task;
                }
            }
            $this->offer($job->tasks[0]);
        }
    }

    /** @param  callable(Task): int  $earliest  when it may start */
    public function next(Machines $machines, callable $earliest): ?Task
    {
        if ($this->ready === []) {
            return null;
        }
        do {
            [, $first] = $this->heap->extract();
        } while (! isset($this->ready[$first]));
        $task = $this->ready[$first][1];
        if ($this->options->rule === ScheduleRule::Setup && $this->urgency === null && ! $task->begun) {
            $task = $this->leastSetup($task, $machines, $earliest);
        }
        unset($this->ready["{$task->job} {$task->place}"]);
        isset($this->ready[$first]) && $this->heap->insert([$this->ready[$first][0], $first]); // another one goes before it

        return $task;
    }

    public function done(Task $task): void
    {
        $job = $this->jobs->all[$task->job];
        $next = $job->tasks[++$this->next[$task->job]] ?? null;
        if ($next !== null) {
            $this->offer($next);

            return;
        }
        foreach ($this->waiting[$task->job] ?? [] as $waiting) {
            $this->open["{$waiting->job} {$waiting->place}"]--;
            $this->offer($waiting);
        }
    }

    private function offer(Task $task): void
    {
        $key = "{$task->job} {$task->place}";
        if ($this->next[$task->job] === $task->place && $this->open[$key] === 0) {
            $this->ready[$key] = [$this->goesBy($task), $task];
            $this->heap->insert([$this->ready[$key][0], $key]);
        }
    }

    /** @return list<int|string> */
    private function goesBy(Task $task): array
    {
        $job = $this->jobs->all[$task->job];
        $priority = $job->supply->priority;
        $begun = $task->begun ? 0 : 1;

        return match (true) {
            $this->urgency !== null => [
                $begun, 100 * $job->due - $this->urgency * $job->weight(), $job->supply->rank, $job->place, $task->op,
            ],
            $this->options->rule === ScheduleRule::Priority => [$begun, $priority, $job->due, $job->supply->rank, $job->place, $task->op],
            $this->options->rule === ScheduleRule::Listed => [$begun, $job->listed, $job->place, $task->op],
            default => [$begun, $job->due, $priority, $job->supply->rank, $job->place, $task->op],
        };
    }

    /** @param  callable(Task): int  $earliest */
    private function leastSetup(Task $first, Machines $machines, callable $earliest): Task
    {
        $until = $this->jobs->all[$first->job]->due + $this->options->setupWindow;
        $best = null;
        foreach ($this->ready as [$goesBy, $task]) {
            if ($this->jobs->all[$task->job]->due <= $until) {
                $placed = $machines->soonest($task, $earliest($task));
                $score = [$placed->setup ?? PHP_INT_MAX, $goesBy];
                if ($best === null || $score < $best[0]) {
                    $best = [$score, $task];
                }
            }
        }

        return $best[1] ?? $first;
    }
}
