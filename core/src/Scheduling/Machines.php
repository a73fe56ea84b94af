<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Calendar\Minute;
use Yposta\Core\Capacity\CentreTime;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Capacity\Units;

/**
 * The units of all centres and what stands on them: finds where an operation could stand without breaking the rules of minutes, units and
 * setups (scheduling rules, section 4), and puts it there.
 */
final class Machines
{
    /** @var array<string, array<int, list<array{int, int, string}>>> from, to and family of what stands on a unit, in order of time */
    private array $busy = [];

    /** @var array<string, array<int, list<array{int, int}>>> from and to of what is taken of a unit, what touches or has no open minute between as one */
    private array $taken = [];

    public function __construct(private readonly Shop $shop, private readonly SetupChanges $changes)
    {
    }

    /** The place at which an operation ends soonest, from a moment on; null where there is none. */
    public function soonest(Task $task, int $from): ?Placed
    {
        $best = null;
        $choices = $task->begun && $task->old !== null ? [$task->choices[0]] : $task->choices;
        foreach ($choices as $choice) {
            $found = $this->soonestAt($task, $choice, $from);
            if ($found !== null && ($best === null || $found->end < $best->end)) {
                $best = $found;
            }
        }

        return $best;
    }

    /**
     * Where an operation stands if it begins at a minute on some units of its own or another centre; null where it cannot.
     *
     * @param  list<int>  $units
     */
    public function exactly(Task $task, string $centre, array $units, int $start): ?Placed
    {
        foreach ($task->choices as $choice) {
            if ($choice->centre === $centre) {
                $placed = $this->fit($task, $choice, $units, $start);

                return $placed?->start === $start ? $placed : null;
            }
        }

        return null;
    }

    public function put(Task $task, Placed $placed): void
    {
        $this->occupy($placed, $task->family);
    }

    public function occupy(Placed $placed, string $family): void
    {
        // Where setups depend on what ran before, what takes no time keeps its place in the sequence, too.
        $isKept = $placed->minutes > 0 || $this->changes->at($placed->centre);
        foreach ($isKept ? $placed->units : [] as $unit) {
            $list = $this->busy[$placed->centre][$unit] ?? [];
            array_splice($list, self::firstEndingAfter($list, $placed->start), 0, [[$placed->start, $placed->end, $family]]);
            $this->busy[$placed->centre][$unit] = $list;
            $placed->minutes > 0 && $this->fill($placed->centre, $unit, $placed->start, $placed->end);
        }
    }

    public function take(Placed $placed): void
    {
        foreach ($placed->minutes === 0 ? [] : $placed->units as $unit) {
            $list = $this->busy[$placed->centre][$unit];
            array_splice($list, self::firstEndingAfter($list, $placed->start), 1);
            $this->busy[$placed->centre][$unit] = $list;
            $this->taken[$placed->centre][$unit] = [];
            foreach ($list as [$from, $to]) {
                $to > $from && $this->fill($placed->centre, $unit, $from, $to);
            }
        }
    }

    /** When it would end if nothing else stood on any unit; null where it never would. */
    public function alone(Task $task, CentreChoice $choice, int $from): ?int
    {
        $minutes = $choice->minutes($choice->setup);

        return $minutes === 0 ? $from : $this->shop->open($choice->centre, range(1, $task->crew), $from)->span($from, $minutes)[1] ?? null;
    }

    /**
     * The latest place on the same units, with the same minutes, that ends before a moment and after all that stands before it; null where
     * that is no later than where it stands.
     */
    public function later(Placed $placed, int $before): ?Placed
    {
        foreach ($placed->units as $unit) {
            $list = $this->busy[$placed->centre][$unit] ?? [];
            $next = $list[self::firstEndingAfter($list, $placed->start) + 1] ?? null;
            $before = $next === null ? $before : min($before, $next[0]);
        }
        $end = null;
        $left = $placed->minutes;
        for ($day = Minute::day($before - 1); $left > 0 && ($day + 1) * Minute::DAY > $placed->start; $day--) {
            foreach (array_reverse($this->shop->time($placed->centre)->day($day)) as $stretch) {
                $to = min($stretch->to, $before);
                if ($to <= $stretch->from || ! $stretch->units->haveAll($placed->units)) {
                    continue;
                }
                $end ??= $to;
                $taken = min($left, $to - $stretch->from);
                $left -= $taken;
                if ($left === 0) {
                    $start = $to - $taken;

                    return $start > $placed->start
                        ? new Placed($placed->centre, $placed->units, $start, $end, $placed->setup, $placed->minutes)
                        : null;
                }
            }
        }

        return null;
    }

    private function soonestAt(Task $task, CentreChoice $choice, int $from): ?Placed
    {
        $number = $this->time($choice->centre)->centre->units;
        if ($task->begun && $task->old !== null) {
            return $this->fit($task, $choice, $task->old->units, $from);
        }
        if ($task->crew > $number) {
            return null;
        }
        $alone = [];
        for ($unit = 1; $unit <= $number; $unit++) {
            $found = $this->fit($task, $choice, [$unit], $from);
            $found === null || $alone[$unit] = $found;
        }
        uasort($alone, fn (Placed $a, Placed $b) => [$a->end, $a->setup] <=> [$b->end, $b->setup]);
        if ($task->crew === 1) {
            return $alone === [] ? null : $alone[array_key_first($alone)];
        }
        $best = null;
        $soonest = array_slice(array_keys($alone), 0, $task->crew);
        sort($soonest);
        foreach ([$soonest, range(1, $task->crew)] as $units) {
            $found = count($units) === $task->crew ? $this->fit($task, $choice, $units, $from) : null;
            if ($found !== null && ($best === null || $found->end < $best->end)) {
                $best = $found;
            }
        }

        return $best;
    }

    /**
     * The first place on some units from a moment on. Where setups depend on what ran before, nothing is put between what stands already,
     * as that would change what the next one takes.
     *
     * @param  list<int>  $units
     */
    private function fit(Task $task, CentreChoice $choice, array $units, int $from): ?Placed
    {
        $setup = $choice->setup;
        if ($this->changes->at($choice->centre)) {
            $setup = $task->begun ? 0 : $this->setup($task, $choice, $units);
            foreach ($units as $unit) {
                $list = $this->busy[$choice->centre][$unit] ?? [];
                $from = max($from, $list === [] ? $from : $list[count($list) - 1][1]);
            }
        }
        $minutes = $choice->minutes($setup);
        if ($minutes === 0) {
            return new Placed($choice->centre, $units, $from, $from, $setup, 0);
        }
        $open = $this->shop->open($choice->centre, $units, $from);
        while (($span = $open->span($from, $minutes)) !== null) {
            $free = $this->freeFrom($choice->centre, $units, ...$span);
            if ($free === null) {
                return new Placed($choice->centre, $units, $span[0], $span[1], $setup, $minutes);
            }
            $from = $free;
        }

        return null;
    }

    /** @param  list<int>  $units */
    private function setup(Task $task, CentreChoice $choice, array $units): int
    {
        $setups = [];
        foreach ($units as $unit) {
            $before = '';
            $list = $this->busy[$choice->centre][$unit] ?? [];
            for ($place = count($list) - 1; $place >= 0; $place--) {
                [$from, $to, $family] = $list[$place];
                if ($to > $from) {
                    $before = $family;
                    break;
                }
            }
            $setups[] = $this->changes->between($choice->centre, $before, $task->family, $choice->setup);
        }

        return $setups === [] ? $choice->setup : max($setups);
    }

    /**
     * When the first of what stands in the way has ended; null where nothing does.
     *
     * @param  list<int>  $units
     */
    private function freeFrom(string $centre, array $units, int $start, int $end): ?int
    {
        $free = null;
        foreach ($units as $unit) {
            $list = $this->taken[$centre][$unit] ?? [];
            $first = $list[self::firstEndingAfter($list, $start)] ?? null;
            if ($first !== null && $first[0] < $end) {
                $free = max($free ?? 0, $first[1]);
            }
        }

        return $free;
    }

    /** Takes a stretch of a unit, which joins those beside it where nothing could stand between. */
    private function fill(string $centre, int $unit, int $from, int $to): void
    {
        $list = $this->taken[$centre][$unit] ?? [];
        $place = self::firstEndingAfter($list, $from);
        $open = $this->shop->open($centre, [$unit], $from);
        $count = 0;
        if (isset($list[$place]) && ($list[$place][0] <= $to || $open->until($list[$place][0]) === $open->until($to))) {
            $to = max($to, $list[$place][1]);
            $count++;
        }
        if ($place > 0) {
            $before = $list[$place - 1][1];
            $open = $this->shop->open($centre, [$unit], $before);
            if ($before >= $from || $open->until($from) === $open->until($before)) {
                $from = $list[--$place][0];
                $count++;
            }
        }
        array_splice($list, $place, $count, [[$from, $to]]);
        $this->taken[$centre][$unit] = $list;
    }

    private function time(string $centre): CentreTime
    {
        return $this->shop->time($centre);
    }

    /** @param  list<array{int, int, string}>|list<array{int, int}>  $list */
    private static function firstEndingAfter(array $list, int $minute): int
    {
        $low = 0;
        $high = count($list);
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($list[$middle][1] <= $minute) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }
}
