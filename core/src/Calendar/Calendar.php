<?php

declare(strict_types=1);

namespace Yposta\Core\Calendar;

use InvalidArgumentException;

/**
 * Which days work: a weekday pattern plus single days that differ (section 2 of the planning rules).
 *
 * Stepping looks days up in a table of working days that grows as far as it is asked for.
 */
final class Calendar
{
    private const WEEK = 7;

    /** How far the table may reach in either direction before the calendar counts as exhausted, in days. */
    private const REACH = 400_000;

    /** @var list<int> the working days of the table, ascending */
    private array $workingDays = [];

    /** @var array<int, int> for each day of the table the number of working days of the table up to and with it */
    private array $count = [];

    private int $from = 0;

    private int $to = -1;

    private readonly bool $everyDay;

    /**
     * @param  array<int, bool>  $weekdays  by weekday from 1 (Monday) to 7, whether it works
     * @param  array<int, bool>  $exceptions  by day number, whether that single day works
     * @param  array<int, string>  $notes  by day number, what is noted of a single day
     *
     * @throws InvalidArgumentException when no day works at all
     */
    public function __construct(
        public readonly string $code,
        private readonly array $weekdays,
        private readonly array $exceptions = [],
        private readonly array $notes = [],
    ) {
        if (! in_array(true, $weekdays, true) && ! in_array(true, $exceptions, true)) {
            throw new InvalidArgumentException("calendar {$code} has no working day");
        }
        $this->everyDay = count(array_filter($weekdays)) === self::WEEK && ! in_array(false, $exceptions, true);
    }

    public static function everyDay(): self
    {
        return new self('', array_fill(1, self::WEEK, true));
    }

    /**
     * @param  string  $pattern  the weekdays that work, as digits from 1 (Monday)
     * @param  array<int, bool>  $exceptions  by day number, whether that single day works
     * @param  array<int, string>  $notes  by day number
     *
     * @throws InvalidArgumentException when no day works at all
     */
    public static function ofPattern(string $code, string $pattern, array $exceptions = [], array $notes = []): self
    {
        $weekdays = [];
        for ($weekday = 1; $weekday <= self::WEEK; $weekday++) {
            $weekdays[$weekday] = str_contains($pattern, (string) $weekday);
        }

        return new self($code, $weekdays, $exceptions, $notes);
    }

    /**
     * The same weekdays with other single days; notes stay with the days that still differ.
     *
     * @param  array<int, bool>  $exceptions  by day number, whether that single day works
     */
    public function withDays(array $exceptions): self
    {
        return new self($this->code, $this->weekdays, $exceptions, array_intersect_key($this->notes, $exceptions));
    }

    /** The weekdays that work, as digits from 1 (Monday). */
    public function pattern(): string
    {
        return implode('', array_keys(array_filter($this->weekdays)));
    }

    /** @return array<int, bool> by day number, whether that single day works */
    public function exceptions(): array
    {
        return $this->exceptions;
    }

    /** @return array<int, string> by day number, what is noted of a single day */
    public function notes(): array
    {
        return $this->notes;
    }

    public function works(int $day): bool
    {
        return $this->everyDay || ($this->exceptions[$day] ?? $this->weekdays[Day::weekday($day)] ?? false);
    }

    /** The latest working day on or before the day, then so many working days back. */
    public function back(int $day, int $steps): int
    {
        if ($this->everyDay) {
            return $day - $steps;
        }
        if ($day < $this->from || $day > $this->to) {
            $this->cover($day, $day);
        }
        while (($index = $this->count[$day] - 1 - $steps) < 0) {
            $this->cover($this->grownFrom($day), $this->to);
        }

        return $this->workingDays[$index];
    }

    /** The earliest working day on or after the day, then so many working days forward. */
    public function forward(int $day, int $steps): int
    {
        if ($this->everyDay) {
            return $day + $steps;
        }
        if ($day <= $this->from || $day > $this->to) {
            $this->cover($day - 1, $day);
        }
        while (! isset($this->workingDays[$index = $this->count[$day - 1] + $steps])) {
            $this->cover($this->from, $this->grownTo($day));
        }

        return $this->workingDays[$index];
    }

    /** Working days that it takes from the first day to the second, the first landing on a working day; 0 when it is not later. */
    public function steps(int $from, int $to): int
    {
        if ($to <= $from) {
            return 0;
        }
        if ($this->everyDay) {
            return $to - $from;
        }
        $from = $this->forward($from, 0);
        if ($to <= $from) {
            return 0;
        }
        $this->cover($from, $to);

        return $this->count[$to] - $this->count[$from];
    }

    /** The fewest working days after a date that reach another one: the smallest n with forward(day, n) on or after it. */
    public function stepsToReach(int $day, int $target): int
    {
        $first = $this->forward($day, 0);
        if ($first >= $target) {
            return 0;
        }
        $landed = $this->forward($target, 0);

        return $this->everyDay ? $landed - $first : $this->count[$landed] - $this->count[$first];
    }

    private function grownFrom(int $day): int
    {
        $from = $this->from - max(366, $this->to - $this->from);
        if ($from < $day - self::REACH) {
            throw new InvalidArgumentException("calendar {$this->code} has too few working days before ".Day::format($day));
        }

        return $from;
    }

    private function grownTo(int $day): int
    {
        $to = $this->to + max(366, $this->to - $this->from);
        if ($to > $day + self::REACH) {
            throw new InvalidArgumentException("calendar {$this->code} has too few working days after ".Day::format($day));
        }

        return $to;
    }

    private function cover(int $from, int $to): void
    {
        if ($from >= $this->from && $to <= $this->to) {
            return;
        }
        $empty = $this->to < $this->from;
        $this->from = $empty ? $from - 366 : min($from, $this->from);
        $this->to = $empty ? $to + 366 : max($to, $this->to);
        $this->workingDays = $this->count = [];
        $weekday = Day::weekday($this->from);
        for ($day = $this->from, $counted = 0; $day <= $this->to; $day++) {
            if ($this->exceptions[$day] ?? $this->weekdays[$weekday] ?? false) {
                $this->workingDays[] = $day;
                $counted++;
            }
            $this->count[$day] = $counted;
            $weekday = $weekday % self::WEEK + 1;
        }
    }
}
