<?php

declare(strict_types=1);

namespace Yposta\Core\Capacity;

use Yposta\Core\Calendar\Minute;

/**
 * The minutes at which a centre has a unit on, counted from a day on, so that so many of them before or behind a moment are found without
 * walking over them.
 */
final class OpenTime
{
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

    /** @param  int  $first  day number */
    public function __construct(private readonly CentreTime $time, private readonly int $first)
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

    private function grow(): void
    {
        foreach ($this->time->day($this->day++) as $stretch) {
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
