<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use SplMinHeap;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Capacity\OpenTime;
use Yposta\Core\Capacity\Shop;

/**
 * Who follows whom on every unit, with the times that come of it: each operation begins when what it waits for has ended. A change is
 * worked out by going over only what it touches, in an order in which nothing stands before what it waits for, and can be taken back.
 * Operations are numbered; units are, too, over all centres.
 */
final class Sequences
{
    private const NONE = -1;

    private const HALF_A_DAY = 720;

    /** @var array<int, Task> */
    public readonly array $tasks;

    /** @var array<int, bool> whether the setup of each depends on what ran before */
    private array $follows = [];

    /** @var array<int, array{string, int}> centre and number, by unit */
    private array $units = [];

    /** @var array<string, array<int, int>> units by centre and number */
    private array $unitOf = [];

    /** @var array<int, CentreChoice> where each runs */
    private array $choice = [];

    /** @var array<int, list<int>> the units that each holds; none where it takes no time that counts */
    private array $on = [];

    /** @var array<int, list<int>> unit numbers of what takes no time that counts, and so stands in nobody's way */
    private array $idle = [];

    /** @var array<int, OpenTime> when those are on */
    private array $open = [];

    /** @var array<int, array<int, int>> what stands before, by unit and operation */
    private array $left = [];

    /** @var array<int, array<int, int>> what stands behind, by unit and operation; with NONE the first of the unit */
    private array $right = [];

    /** @var array<int, int> the first minute for each, of itself */
    private array $release = [];

    /** @var array<int, int> */
    public array $start = [];

    /** @var array<int, int> */
    public array $end = [];

    /** @var array<int, int> millionths of a minute */
    private array $setup = [];

    /** @var array<int, int> */
    private array $minutes = [];

    private ReckoningOrder $order;

    private int $lateDays = 0;

    private int $lateMinutes = 0;

    private int $setups = 0;

    private int $waiting = 0;

    /** @var list<array{int, int, int, int, int}> operation, start, end, setup and minutes before the change */
    private array $was = [];

    /** @var list<array{int, list<int>, CentreChoice, OpenTime, array<int, int>}> who was moved, from which units, centre, time and neighbours */
    private array $moved = [];

    /** @var array{int, int, int, int} the sums before the change */
    private array $sums = [0, 0, 0, 0];

    /**
     * @param  array<string, Placed>  $placed  by job and place
     * @param  callable(Task): int  $earliest  the first minute by the material from outside the schedule and by itself
     */
    public function __construct(
        public readonly TaskList $list,
        private readonly Shop $shop,
        private readonly SetupChanges $changes,
        array $placed,
        callable $earliest,
    ) {
        $this->tasks = $list->tasks;
        $this->stand($placed, $earliest);
    }

    public function __clone()
    {
        $this->order = clone $this->order;
    }

    /** Whether all could be reckoned as it stood. */
    public function reckonAll(): bool
    {
        $order = $this->inOrder();
        if (count($order) < count($this->tasks)) {
            return false;
        }
        $this->order = new ReckoningOrder($order);
        $dirty = array_fill(0, count($this->tasks), true);
        $isSound = $this->reckon($dirty, 0);
        $this->keep();

        return $isSound;
    }

    /**
     * What it is judged by while it is looked for few days late, the smaller the better: minutes late count, too, as a little less late is
     * a way to be in time.
     *
     * @return list<int>
     */
    public function worth(): array
    {
        return [$this->lateDays * self::HALF_A_DAY + $this->lateMinutes, $this->setups, $this->waiting];
    }

    /**
     * What a schedule is judged by, the smaller the better.
     *
     * @return list<int>
     */
    public function score(ScheduleAim $aim): array
    {
        return $aim === ScheduleAim::Makespan ? [$this->lastEnd()] : [$this->lateDays, $this->setups, $this->waiting];
    }

    /**
     * Puts an operation on units, on each before another one or at the end, and works out what comes of it. False where that cannot be: all
     * that was changed since something was kept has to be taken back then.
     *
     * @param  array<int, int>  $behind  the operation that it is to stand before, by unit; -1 for the end
     */
    public function move(int $task, CentreChoice $choice, array $behind): bool
    {
        $neighbours = $dirty = [];
        foreach ($this->on[$task] as $unit) {
            $right = $this->right[$unit][$task];
            $neighbours[$unit] = $right;
            $this->unlink($unit, $task);
            $right === self::NONE || $dirty[$right] = true;
        }
        $this->moved[] = [$task, $this->on[$task], $this->choice[$task], $this->open[$task], $neighbours];
        $this->on[$task] = array_keys($behind);
        if ($choice !== $this->choice[$task]) {
            $this->change($task, $this->start[$task], $this->end[$task], $this->setup[$task], self::NONE);
            $this->choice[$task] = $choice;
        }
        $this->openAt($task);
        $arcs = [];
        foreach ($behind as $unit => $right) {
            $this->link($unit, $task, $right);
            $left = $this->left[$unit][$task];
            $left === self::NONE || $arcs[] = [$left, $task];
            $right === self::NONE || $arcs[] = [$task, $right];
            $right === self::NONE || $dirty[$right] = true;
        }
        foreach ($arcs as [$one, $other]) {
            if (! $this->order->put($one, $other, $this)) {
                return false;
            }
        }
        $dirty[$task] = true;
        $ranks = [];
        $from = count($this->tasks);
        foreach ($dirty as $node => $_) {
            $ranks[$this->order->rank[$node]] = true;
            $from = min($from, $this->order->rank[$node]);
        }

        return $this->reckon($ranks, $from);
    }

    public function takeBack(): void
    {
        foreach (array_reverse($this->was) as [$node, $start, $end, $setup, $minutes]) {
            $this->start[$node] = $start;
            $this->end[$node] = $end;
            $this->setup[$node] = $setup;
            $this->minutes[$node] = $minutes;
        }
        $this->order->takeBack();
        [$this->lateDays, $this->lateMinutes, $this->setups, $this->waiting] = $this->sums;
        foreach (array_reverse($this->moved) as [$task, $units, $choice, $open, $neighbours]) {
            foreach ($this->on[$task] as $unit) {
                $this->unlink($unit, $task);
            }
            foreach (array_reverse($neighbours, true) as $unit => $right) {
                $this->link($unit, $task, $right);
            }
            $this->on[$task] = $units;
            $this->choice[$task] = $choice;
            $this->open[$task] = $open;
            $this->follows[$task] = ! $this->tasks[$task]->begun && $this->changes->at($choice->centre);
        }
        $this->keep();
    }

    /** What was changed until now is no longer taken back. */
    public function keep(): void
    {
        $this->order->keep();
        $this->moved = $this->was = [];
        $this->sums = [$this->lateDays, $this->lateMinutes, $this->setups, $this->waiting];
    }

    /**
     * Gives an operation its first minute anew; to be called in the order of reckoning, so that all before it is settled. False where it
     * cannot keep its place.
     */
    public function settle(int $task, int $release): bool
    {
        $this->release[$task] = $release;

        return $this->reckonOne($task);
    }

    /** @return array<int, int> operations in an order in which none stands before what it waits for */
    public function order(): array
    {
        return $this->order->order;
    }

    public function placed(int $task): Placed
    {
        $units = $this->idle[$task] ?? array_map(fn (int $unit) => $this->units[$unit][1], $this->on[$task]);
        sort($units);

        return new Placed(
            $this->choice[$task]->centre, $units, $this->start[$task], $this->end[$task], $this->setup[$task], $this->minutes[$task],
        );
    }

    /** @return list<int> */
    public function unitsOf(int $task): array
    {
        return $this->on[$task];
    }

    public function choiceOf(int $task): CentreChoice
    {
        return $this->choice[$task];
    }

    /** @return list<int> units of a centre in the order of their numbers */
    public function unitsAt(string $centre): array
    {
        for ($number = 1; $number <= $this->shop->time($centre)->centre->units; $number++) {
            $this->unit($centre, $number);
        }
        ksort($this->unitOf[$centre]);

        return array_values($this->unitOf[$centre]);
    }

    public function leftOf(int $unit, int $task): int
    {
        return $this->left[$unit][$task];
    }

    public function rightOf(int $unit, int $task): int
    {
        return $this->right[$unit][$task] ?? self::NONE;
    }

    /** When an operation could begin if no unit were taken. */
    public function readyAt(int $task): int
    {
        $from = $this->release[$task];
        foreach ($this->list->before[$task] as $node => $minutes) {
            $minutes === null || $from = max($from, $this->end[$node] + $minutes);
        }

        return $from;
    }

    /**
     * What an operation had to wait for longest.
     *
     * @return array{int, int}|null operation, and the unit that it held; -1 where the wait is not for a unit; null where it waits for nothing
     */
    public function waitedFor(int $task): ?array
    {
        $from = $this->release[$task];
        $found = null;
        foreach ($this->list->before[$task] as $node => $minutes) {
            if ($minutes !== null && $from < $this->end[$node] + $minutes) {
                $from = $this->end[$node] + $minutes;
                $found = [$node, self::NONE];
            }
        }
        foreach ($this->on[$task] as $unit) {
            $node = $this->left[$unit][$task];
            if ($node !== self::NONE && $this->end[$node] > $from) {
                $from = $this->end[$node];
                $found = [$node, $unit];
            }
        }

        return $found;
    }

    /** Minutes times weight that a job is late, by its last operation. */
    public function lateOf(int $last): int
    {
        return $this->lateness($last, $this->end[$last])[1];
    }

    private function lastEnd(): int
    {
        $end = 0;
        foreach ($this->list->lasts as $last) {
            $end = max($end, $this->end[$last]);
        }

        return $end;
    }

    /**
     * @param  array<string, Placed>  $placed
     * @param  callable(Task): int  $earliest
     */
    private function stand(array $placed, callable $earliest): void
    {
        $stands = [];
        foreach ($this->tasks as $node => $task) {
            $place = $placed["{$task->job} {$task->place}"];
            foreach ($task->choices as $choice) {
                $choice->centre === $place->centre && $this->choice[$node] = $choice;
            }
            $holds = $place->minutes > 0 || $this->changes->at($place->centre);
            $this->on[$node] = [];
            $holds || $this->idle[$node] = $place->units;
            foreach ($holds ? $place->units : [] as $number) {
                $unit = $this->unit($place->centre, $number);
                $this->on[$node][] = $unit;
                $stands[$unit][] = $node;
            }
            $this->release[$node] = $earliest($task);
            $this->start[$node] = $place->start;
            $this->end[$node] = $place->end;
            $this->setup[$node] = $place->setup;
            $this->minutes[$node] = $place->minutes;
            $this->setups += $place->setup;
            $this->waiting -= $place->end - $place->start;
            $this->list->isFirst[$node] && $this->waiting -= $place->start;
            if ($this->list->latest[$node] !== null) {
                $this->waiting += $place->end;
                [$days, $minutes] = $this->lateness($node, $place->end);
                $this->lateDays += $days;
                $this->lateMinutes += $minutes;
            }
            $this->openAt($node);
        }
        foreach ($stands as $unit => $nodes) {
            usort($nodes, fn (int $a, int $b) => [$this->start[$a], $this->end[$a], $a] <=> [$this->start[$b], $this->end[$b], $b]);
            foreach (array_reverse($nodes) as $place => $node) {
                $this->link($unit, $node, $place === 0 ? self::NONE : $nodes[count($nodes) - $place]);
            }
        }
    }

    private function unit(string $centre, int $number): int
    {
        if (! isset($this->unitOf[$centre][$number])) {
            $unit = count($this->units);
            $this->units[$unit] = [$centre, $number];
            $this->unitOf[$centre][$number] = $unit;
            $this->left[$unit] = [self::NONE => self::NONE];
            $this->right[$unit] = [self::NONE => self::NONE];
        }

        return $this->unitOf[$centre][$number];
    }

    private function openAt(int $task): void
    {
        $numbers = array_map(fn (int $unit) => $this->units[$unit][1], $this->on[$task]);
        sort($numbers);
        $this->follows[$task] = ! $this->tasks[$task]->begun && $this->changes->at($this->choice[$task]->centre);
        $this->open[$task] = $this->shop->open($this->choice[$task]->centre, $numbers, min($this->release[$task], $this->start[$task]));
    }

    /** The list of a unit is a ring over NONE: right of it stands the first, left of it the last. */
    private function link(int $unit, int $task, int $right): void
    {
        $left = $this->left[$unit][$right];
        $this->left[$unit][$task] = $left;
        $this->right[$unit][$task] = $right;
        $this->right[$unit][$left] = $task;
        $this->left[$unit][$right] = $task;
    }

    private function unlink(int $unit, int $task): void
    {
        $left = $this->left[$unit][$task];
        $right = $this->right[$unit][$task];
        $this->right[$unit][$left] = $right;
        $this->left[$unit][$right] = $left;
        unset($this->left[$unit][$task], $this->right[$unit][$task]);
    }

    /** @return list<int> all, the ones that wait for nothing first; fewer where some wait for each other */
    private function inOrder(): array
    {
        $open = [];
        /** @var SplMinHeap<array{int, int, int}> $ready by start, end and number */
        $ready = new SplMinHeap;
        foreach ($this->tasks as $node => $_) {
            $open[$node] = count($this->list->before[$node]);
            foreach ($this->on[$node] as $unit) {
                $open[$node] += $this->left[$unit][$node] === self::NONE ? 0 : 1;
            }
            $open[$node] === 0 && $ready->insert([$this->start[$node], $this->end[$node], $node]);
        }
        $order = [];
        while (! $ready->isEmpty()) {
            $node = $ready->extract()[2];
            $order[] = $node;
            foreach ($this->following($node) as $next) {
                --$open[$next] === 0 && $ready->insert([$this->start[$next], $this->end[$next], $next]);
            }
        }

        return $order;
    }

    /** @return list<int> what waits for an operation, for its end or its units */
    public function following(int $node): array
    {
        $following = array_keys($this->list->after[$node]);
        foreach ($this->on[$node] as $unit) {
            $right = $this->right[$unit][$node];
            $right === self::NONE || $following[] = $right;
        }

        return $following;
    }

    /** @return list<int> what an operation waits for */
    public function preceding(int $node): array
    {
        $preceding = array_keys($this->list->before[$node]);
        foreach ($this->on[$node] as $unit) {
            $left = $this->left[$unit][$node];
            $left === self::NONE || $preceding[] = $left;
        }

        return $preceding;
    }

    /**
     * Works out anew what stands at some places of the order, and what that changes.
     *
     * @param  array<int, true>  $dirty  by place
     */
    private function reckon(array $dirty, int $rank): bool
    {
        for ($open = count($dirty); $open > 0; $rank++) {
            if (! isset($dirty[$rank])) {
                continue;
            }
            $open--;
            $node = $this->order->order[$rank];
            $end = $this->end[$node];
            $hadTime = $this->minutes[$node] > 0;
            if (! $this->reckonOne($node)) {
                return false;
            }
            $hasTime = $this->minutes[$node] > 0;
            if ($this->end[$node] === $end && $hasTime === $hadTime && $hasTime) {
                continue;
            }
            foreach ($this->list->after[$node] as $next => $_) {
                if (! isset($dirty[$this->order->rank[$next]])) {
                    $dirty[$this->order->rank[$next]] = true;
                    $open++;
                }
            }
            foreach ($this->on[$node] as $unit) {
                $next = $this->right[$unit][$node];
                if ($next !== self::NONE && ! isset($dirty[$this->order->rank[$next]])) {
                    $dirty[$this->order->rank[$next]] = true;
                    $open++;
                }
            }
        }

        return true;
    }

    /** Works out one operation from what stands before it; false where it cannot stand. */
    private function reckonOne(int $node): bool
    {
        $from = $this->release[$node];
        foreach ($this->list->before[$node] as $before => $lag) {
            if ($lag !== null && $from < $this->end[$before] + $lag) {
                $from = $this->end[$before] + $lag;
            }
        }
        foreach ($this->on[$node] as $unit) {
            $before = $this->left[$unit][$node];
            if ($before !== self::NONE && $this->end[$before] > $from) {
                $from = $this->end[$before];
            }
        }
        $setup = $this->follows[$node] ? $this->setupOf($node) : $this->choice[$node]->setup;
        $minutes = $setup === $this->setup[$node] && $this->minutes[$node] !== self::NONE
            ? $this->minutes[$node]
            : $this->choice[$node]->minutes($setup);
        $kept = $this->list->kept[$node];
        if ($kept !== null) {
            if ($from > $kept->start) {
                return false;
            }
            $from = $kept->start;
        }
        $span = $minutes === 0 ? [$from, $from] : $this->open[$node]->span($from, $minutes);
        if ($span === null || ($kept !== null && ($span[0] !== $kept->start || ($this->tasks[$node]->frozen && $span[1] !== $kept->end)))) {
            return false;
        }
        $is = [$this->start[$node], $this->end[$node], $this->setup[$node], $this->minutes[$node]];
        if ($is !== [$span[0], $span[1], $setup, $minutes]) {
            $this->change($node, $span[0], $span[1], $setup, $minutes);
        }

        return true;
    }

    private function change(int $node, int $start, int $end, int $setup, int $minutes): void
    {
        $oldStart = $this->start[$node];
        $oldEnd = $this->end[$node];
        $this->was[] = [$node, $oldStart, $oldEnd, $this->setup[$node], $this->minutes[$node]];
        $this->setups += $setup - $this->setup[$node];
        $this->waiting -= $end - $start - $oldEnd + $oldStart;
        $this->list->isFirst[$node] && $this->waiting -= $start - $oldStart;
        if ($this->list->latest[$node] !== null) {
            $this->waiting += $end - $oldEnd;
            [$days, $late] = $this->lateness($node, $end);
            [$oldDays, $oldLate] = $this->lateness($node, $oldEnd);
            $this->lateDays += $days - $oldDays;
            $this->lateMinutes += $late - $oldLate;
        }
        $this->start[$node] = $start;
        $this->end[$node] = $end;
        $this->setup[$node] = $setup;
        $this->minutes[$node] = $minutes;
    }

    private function setupOf(int $node): int
    {
        $choice = $this->choice[$node];
        $task = $this->tasks[$node];
        $setup = null;
        foreach ($this->on[$node] as $unit) {
            $before = $this->left[$unit][$node];
            while ($before !== self::NONE && $this->minutes[$before] === 0) {
                $before = $this->left[$unit][$before];
            }
            $own = $this->changes->between(
                $choice->centre, $before === self::NONE ? '' : $this->tasks[$before]->family, $task->family, $choice->setup,
            );
            $setup = $setup === null ? $own : max($setup, $own);
        }

        return $setup ?? $choice->setup;
    }

    /** @return array{int, int} days and minutes that a job is late, each times its weight, when its last operation ends at a minute */
    private function lateness(int $last, int $end): array
    {
        $minutes = $end - ($this->list->latest[$last] ?? $end);
        $weight = $this->list->weight[$last];

        return $minutes <= 0 ? [0, 0] : [intdiv($minutes + Minute::DAY - 1, Minute::DAY) * $weight, $minutes * $weight];
    }
}
