<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Calendar\Minute;
use Yposta\Core\Quantity\Quantity;

/** The operations of a schedule by number, with what does not change while they change places. */
final readonly class TaskList
{
    /** @var array<int, Task> */
    public array $tasks;

    /** @var array<int, array<int, int|null>> what each waits for, and minutes after the end of that; null where only the order counts */
    public array $before;

    /** @var array<int, array<int, int|null>> what waits for each, and minutes after its end; null where only the order counts */
    public array $after;

    /** @var array<int, bool> whether it is the first of its job */
    public array $isFirst;

    /** @var array<int, int> the last of each job, by job */
    public array $lasts;

    /** @var array<int, int|null> of the last of its job, the minute behind which it is late, if it ends then; null for others */
    public array $latest;

    /** @var array<int, int> how much a day late counts */
    public array $weight;

    /** @var array<int, Placed|null> where each has to stay */
    public array $kept;

    /**
     * @param  Jobs  $jobs  without what was given up
     * @param  array<string, Placed>  $placed  by job and place; jobs without are left out
     * @param  array<string, true>  $free  what has an old place and need not keep it
     */
    public function __construct(Jobs $jobs, array $placed, array $free)
    {
        $tasks = $kept = $numbers = $isFirst = $lasts = $latest = $weight = [];
        foreach ($jobs->all as $job) {
            foreach (isset($placed["{$job->place} 0"]) ? $job->tasks : [] as $task) {
                $key = "{$task->job} {$task->place}";
                $number = $numbers[$key] = count($tasks);
                $tasks[] = $task;
                $kept[] = ($task->fixed || $task->frozen) && ! isset($free[$key]) ? $placed[$key] : null;
                $isFirst[] = $task->place === 0;
                $isLast = $task === $job->last();
                $latest[] = $isLast ? ($job->latest + 1) * Minute::DAY - Quantity::lots($task->move, Quantity::ONE) : null;
                $isLast && $lasts[$job->place] = $number;
                $weight[] = $job->weight();
            }
        }
        $this->tasks = $tasks;
        $this->kept = $kept;
        $this->isFirst = $isFirst;
        $this->lasts = $lasts;
        $this->latest = $latest;
        $this->weight = $weight;
        $before = $after = array_fill(0, count($tasks), []);
        foreach ($tasks as $number => $task) {
            foreach (self::waits($jobs, $task, $number, $numbers) as $other => $minutes) {
                $before[$number][$other] = $minutes;
                $after[$other][$number] = $minutes;
            }
        }
        $this->before = $before;
        $this->after = $after;
    }

    /**
     * @param  array<string, int>  $numbers  of operations, by job and place
     * @return array<int, int|null> minutes after the end of what it waits for, by that
     */
    private static function waits(Jobs $jobs, Task $task, int $number, array $numbers): array
    {
        $found = [];
        if ($task->place > 0) {
            $one = $jobs->all[$task->job]->tasks[$task->place - 1];
            $found[$number - 1] = Quantity::lots($one->move + $task->queue, Quantity::ONE);
        }
        foreach ($task->waits as [$supply]) {
            $isInside = $jobs->of($supply) !== null;
            foreach ($jobs->below($supply) as $place => $_) {
                $last = $jobs->all[$place]->last();
                $other = $numbers["{$last->job} {$last->place}"] ?? null;
                if ($other !== null) {
                    $found[$other] ??= $isInside ? Quantity::lots($last->move, Quantity::ONE) : null;
                }
            }
        }

        return $found;
    }
}
