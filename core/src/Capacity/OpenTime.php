<?php

declare(strict_types=1);

namespace Yposta\Core\Capacity;

use Yposta\Core\Calendar\Minute;

/**
 * The minutes at which a centre has a unit on, or all of some units, counted from a day on, so that so many of them before or behind a
 * moment are found without walking over them.
 */
final class OpenTime
{
    /** Days after which it is given up to find open minutes. */
    public const FURTHEST = 4_000;

    /** @var list<int> first minute of each stretch, stretches that touch as one */
    private array $from = [];

    /** @var list<int> open minutes before each stretch */
    private array $before = [];

    /** @var list<int> minutes of each stretch */
    private array $minutes = [];

    private int $total = 0;

    private int $day;

    /** The end of the last stretch. */
    private int $reached = 0;

    /**
     * @param  int  $first  day number
     * @param  list<int>  $units  numbers of those that must be on together; none where any will do
     */
    public function __construct(private readonly CentreTime $time, public readonly int $first, private readonly array $units = [])
    {
        $this->day = $first;
    }

    /** Open minutes from the first day up to a moment; none before it. */
    public function until(int $minute): int
    {
        while ($this->day * Minute::DAY < $minute) {
            $this->grow();
        }
        $place = self::lastNotAbove($this->from, $minute);

        return $place === null ? 0 : $this->before[$place] + min($this->minutes[$place], $minute - $this->from[$place]);
    }

    /** The minute of the clock of an open minute that has been counted, from 0. */
    public function minuteAt(int $open): int
    {
        $place = (int) self::lastNotAbove($this->before, $open);

        return $this->from[$place] + $open - $this->before[$place];
    }

    /**
     * The first so many open minutes from a moment on.
     *
     * @param  int  $minutes  above 0
     * @return array{int, int}|null first minute, and the minute behind the last; null where there are not that many
     */
    public function span(int $from, int $minutes): ?array
    {
        $furthest = Minute::day($from) + self::FURTHEST;
        while ($this->day * Minute::DAY < $from) {
            $this->grow();
        }
        $place = self::lastNotAbove($this->from, $from) ?? 0;
        $into = $from - ($this->from[$place] ?? PHP_INT_MAX);
        if ($into >= 0 && $into + $minutes <= $this->minutes[$place]) {
            return [$from, $from + $minutes]; // without a pause, as most are
        }
        $open = $into < 0 ? 0 : $this->before[$place] + min($this->minutes[$place], $into);
        while ($this->total < $open + $minutes) {
            if ($this->day >= $furthest) {
                return null;
            }
            $this->grow();
        }

        return [$this->minuteAt($open), $this->minuteAt($open + $minutes - 1) + 1];
    }

    private function grow(): void
    {
        foreach ($this->time->day($this->day++) as $stretch) {
            if ($this->units !== [] && ! $stretch->units->haveAll($this->units)) {
                continue;
            }
            if ($stretch->from === $this->reached && $this->minutes !== []) {
                $this->minutes[] = array_pop($this->minutes) + $stretch->minutes();
            } else {
                $this->from[] = $stretch->from;
                $this->before[] = $this->total;
                $this->minutes[] = $stretch->minutes();
            }
            $this->total += $stretch->minutes();
            $this->reached = $stretch->to;
        }
    }

    /** @param  list<int>  $ascending */
    private static function lastNotAbove(array $ascending, int $value): ?int
    {
        $low = 0;
        $high = count($ascending);
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($ascending[$middle] <= $value) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low === 0 ? null : $low - 1;
    }
}
