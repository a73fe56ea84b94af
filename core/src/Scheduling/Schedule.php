<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Calendar\Minute;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Message;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Run\Supply;

/** Where every operation stands, and what that comes to (scheduling rules, sections 4 and 6). */
final readonly class Schedule
{
    public const COLUMNS = ['order', 'op', 'work_centre', 'units', 'start', 'end', 'setup_min', 'minutes'];

    /**
     * @param  array<string, Placed>  $placed  by job and place
     * @param  array<string, true>  $frozenMoved  what could not keep its place
     * @param  array<int, string>  $given  jobs that could not be placed, with the centre that has no room
     * @param  array<string, true>  $waited  what waited for a unit
     * @param  array<string, int>  $ready  minute from which on it could have begun
     */
    public function __construct(
        private Plan $plan,
        private Jobs $jobs,
        private array $placed,
        private array $frozenMoved,
        private array $given,
        private array $waited,
        private array $ready,
    ) {
    }

    /** @return array<string, int> the figures by name */
    public function figures(): array
    {
        $figures = [
            'orders' => 0, 'on_time' => 0, 'late_days' => 0, 'weighted_late' => 0, 'setup_min' => 0, 'waiting_min' => 0, 'makespan_min' => 0,
            'moved' => 0, 'frozen_moved' => count($this->frozenMoved),
        ];
        foreach ($this->jobs->all as $job) {
            if (isset($this->given[$job->place])) {
                continue;
            }
            $figures['orders']++;
            $end = $this->end($job);
            $late = max(0, Minute::day($end - 1) - $job->latest);
            $figures['on_time'] += $end <= ($job->latest + 1) * Minute::DAY ? 1 : 0;
            $figures['late_days'] += $late;
            $figures['weighted_late'] += $late * $job->weight();
            $figures['waiting_min'] += $this->at($job->last())->end - $this->at($job->tasks[0])->start;
            foreach ($job->tasks as $task) {
                $placed = $this->at($task);
                $figures['setup_min'] += $placed->setup;
                $figures['waiting_min'] -= $placed->end - $placed->start;
                $figures['makespan_min'] = max($figures['makespan_min'], $placed->end - $this->plan->options->planDate * Minute::DAY);
                $old = $task->old;
                $stays = $old === null
                    || [$old->centre, $old->units, $old->start] === [$placed->centre, $placed->units, $placed->start];
                $figures['moved'] += $stays ? 0 : 1;
            }
        }

        return $figures;
    }

    /** @return iterable<list<string>> rows of `figures.csv` */
    public function figureRows(): iterable
    {
        foreach ($this->figures() as $name => $value) {
            yield [$name, $name === 'setup_min' ? Quantity::format($value) : (string) $value];
        }
    }

    /**
     * What it is judged by, the smaller the better.
     *
     * @return list<int>
     */
    public function score(ScheduleAim $aim): array
    {
        $figures = $this->figures();

        return [
            count($this->given),
            ...($aim === ScheduleAim::Makespan
                ? [$figures['makespan_min']]
                : [$figures['weighted_late'], $figures['setup_min'], $figures['waiting_min']]),
        ];
    }

    /** @return iterable<list<string>> rows of `schedule.csv` */
    public function rows(): iterable
    {
        foreach ($this->jobs->all as $job) {
            foreach (isset($this->given[$job->place]) ? [] : $job->tasks as $task) {
                $placed = $this->at($task);
                yield [
                    $job->supply->reference(), (string) $task->op, $placed->centre, implode(';', $placed->units),
                    Minute::format($placed->start), Minute::format($placed->end),
                    Quantity::format($placed->setup), (string) $placed->minutes,
                ];
            }
        }
    }

    /** @return array<string, string> orders that could not be placed, with the centre that has no room, by reference */
    public function givenUp(): array
    {
        $references = [];
        foreach ($this->given as $place => $centre) {
            $references[$this->jobs->all[$place]->supply->reference()] = $centre;
        }

        return $references;
    }

    /** @return list<string> operations that could not keep their place, as order and number */
    public function frozenMoved(): array
    {
        $moved = [];
        foreach ($this->jobs->all as $job) {
            foreach ($job->tasks as $task) {
                isset($this->frozenMoved["{$task->job} {$task->place}"]) && $moved[] = "{$job->supply->reference()} {$task->op}";
            }
        }

        return $moved;
    }

    /** @return list<Message> what a person should know: fixed operations that could not stay, and orders without room */
    public function messages(): array
    {
        $messages = [];
        foreach ($this->jobs->all as $job) {
            $supply = $job->supply;
            if (isset($this->given[$job->place])) {
                $messages[] = new Message(MessageCode::NoRoom, $supply, $supply->point, $supply->due, null, $supply->qty);

                continue;
            }
            foreach ($job->tasks as $task) {
                if ($task->byHand && $task->old !== null && isset($this->frozenMoved["{$task->job} {$task->place}"])) {
                    $messages[] = new Message(
                        MessageCode::Displaced, $supply, $supply->point, Minute::day($task->old->start),
                        Minute::day($this->at($task)->start), $supply->qty,
                    );
                    break;
                }
            }
        }

        return $messages;
    }

    /** Writes its dates into the plan: when orders are there, when demands are served, and what that waits for. */
    public function apply(): void
    {
        $this->plan->work->shop = [];
        $dates = new ShopDates($this->plan);
        foreach ($this->jobs->all as $job) {
            if (! isset($this->given[$job->place])) {
                $dates->finish($job, $this->end($job));
                $this->plan->work->shop[spl_object_id($job->supply)] = $this->places($job);
            }
        }
        foreach ($this->plan->supplies as $supplies) {
            foreach ($supplies as $supply) {
                $dates->of($supply);
            }
        }
        foreach ($this->plan->demands as $demands) {
            foreach ($demands as $demand) {
                $dates->expect($demand);
            }
        }
        $this->tellWhy();
    }

    /** Writes what makes late what is late into the plan, without its dates. */
    public function tellWhy(): void
    {
        foreach ($this->jobs->all as $job) {
            isset($this->given[$job->place]) || $this->explain($job);
        }
    }

    /** What makes an order late that is: its units were taken, or the material of its first operation that waited came late. */
    private function explain(Job $job): void
    {
        if ($this->end($job) <= ($job->supply->due + 1) * Minute::DAY) {
            return;
        }
        foreach (array_reverse($job->tasks) as $task) {
            if (isset($this->waited["{$task->job} {$task->place}"])) {
                $this->plan->work->planned->keepSupply($job->supply, $job->supply->available, $job->supply->waitsFor);
                $job->supply->noCapacityAt = $this->at($task)->centre;

                return;
            }
            $latest = null;
            foreach ($task->waits as [$supply, $input]) {
                if ($latest === null || $supply->available > $latest[0]->available) {
                    $latest = [$supply, $input];
                }
            }
            if ($latest !== null && $latest[1]->lateDays() > 0) {
                $this->plan->work->planned->keepSupply($job->supply, $job->supply->available, $job->supply->waitsFor);
                $job->supply->waitsFor = $latest[1];

                return;
            }
        }
    }

    /** The operation of that number; null where it is not in the schedule. */
    public function taskOf(Supply $supply, int $op): ?Task
    {
        $job = $this->jobs->of($supply);
        foreach ($job === null || isset($this->given[$job->place]) ? [] : $job->tasks as $task) {
            if ($task->op === $op) {
                return $task;
            }
        }

        return null;
    }

    /** The operation of its order before it; null for the first. */
    public function taskBefore(Task $task): ?Task
    {
        return $this->jobs->all[$task->job]->tasks[$task->place - 1] ?? null;
    }

    public function placeOf(Task $task): Placed
    {
        return $this->at($task);
    }

    /** The minute before which no operation of its order begins. */
    public function notBefore(Task $task): int
    {
        return $this->jobs->all[$task->job]->notBefore;
    }

    /** Whether it had a place that it could not keep. */
    public function hasMoved(Task $task): bool
    {
        return isset($this->frozenMoved["{$task->job} {$task->place}"]);
    }

    /** The minute from which on the material of a supply is there. */
    public function there(Supply $supply): int
    {
        $job = $this->jobs->of($supply);

        return $job === null || isset($this->given[$job->place])
            ? ($supply->available + ($supply->type === OrderKind::Make ? 1 : 0)) * Minute::DAY
            : $this->end($job);
    }

    /** @return iterable<Supply, non-empty-list<array{Task, ShopPlace}>> everything in it, with where its operations stand */
    public function standing(): iterable
    {
        foreach ($this->jobs->all as $job) {
            if (! isset($this->given[$job->place])) {
                yield $job->supply => array_map(fn (Task $task, ShopPlace $place) => [$task, $place], $job->tasks, $this->places($job));
            }
        }
    }

    /** @return list<Supply> what is not in it though it should be, as there is no room */
    public function without(): array
    {
        return array_map(fn (int $place) => $this->jobs->all[$place]->supply, array_keys($this->given));
    }

    /** @return list<ScheduledOrder> what is in it, orders and proposals */
    public function orders(): array
    {
        $orders = [];
        foreach ($this->jobs->all as $job) {
            $point = $this->plan->structure->points[$job->supply->point];
            isset($this->given[$job->place]) || $orders[] = new ScheduledOrder(
                supply: $job->supply, item: $point->item->code, site: $point->site->code,
                number: $job->supply->isProposal() ? $this->jobs->numberOf($job->supply) : 0, latest: $job->latest, end: $this->end($job),
                places: $this->places($job),
            );
        }

        return $orders;
    }

    /** @return non-empty-list<ShopPlace> */
    private function places(Job $job): array
    {
        return array_map(function (Task $task) use ($job): ShopPlace {
            $placed = $this->at($task);

            return new ShopPlace(
                supply: $job->supply, op: $task->op, workCentre: $placed->centre, units: $placed->units,
                ready: $this->ready["{$task->job} {$task->place}"] ?? $placed->start, start: $placed->start, end: $placed->end,
                setup: $placed->setup, minutes: $placed->minutes, family: $task->family,
            );
        }, $job->tasks);
    }

    private function at(Task $task): Placed
    {
        return $this->placed["{$task->job} {$task->place}"];
    }

    /** When the last operation of a job has been moved on. */
    private function end(Job $job): int
    {
        return $this->at($job->last())->end + Quantity::lots($job->last()->move, Quantity::ONE);
    }
}
