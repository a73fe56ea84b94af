<?php

declare(strict_types=1);

namespace Yposta\Core\Capacity;

use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Network\Closure;
use Yposta\Core\Network\Shift;
use Yposta\Core\Network\WorkCentre;

/**
 * When a work centre works, and with which of its units (scheduling rules, section 1). Days are worked out when they are asked for; those
 * that are alike, as most are, once.
 */
final class CentreTime
{
    private const LAST_WEEKDAY = 7;

    /** @var array<int, list<Closure>> by day, those that take time of it */
    private array $closed = [];

    /** @var array<int, list<Stretch>> by day */
    private array $days = [];

    /** @var array<string, list<array{int, int, int}>> minutes of a day from, to and units, by which shifts reach into it */
    private array $patterns = [];

    /**
     * @param  list<Shift>  $shifts  of this centre
     * @param  list<Closure>  $closures  of this centre
     */
    public function __construct(
        public readonly WorkCentre $centre,
        private readonly array $shifts,
        array $closures,
        private readonly Calendar $calendar,
    ) {
        foreach ($closures as $closure) {
            $last = Minute::day(Minute::parse($closure->to) - 1);
            for ($day = Minute::day(Minute::parse($closure->from)); $day <= $last; $day++) {
                $this->closed[$day][] = $closure;
            }
        }
    }

    /** The same without any closure. */
    public function undisturbed(): self
    {
        return new self($this->centre, $this->shifts, [], $this->calendar);
    }

    /** @return list<Stretch> in which units are on, ascending; none goes over midnight */
    public function day(int $day): array
    {
        return $this->days[$day] ??= $this->workedOut($day);
    }

    /** Minutes of the longest weekday on which it is open, by its shifts alone. */
    public function longestWeekday(): int
    {
        if ($this->shifts === []) {
            return Minute::DAY;
        }
        $longest = 0;
        for ($weekday = 1; $weekday <= self::LAST_WEEKDAY; $weekday++) {
            $spans = [];
            foreach ($this->shifts as $shift) {
                str_contains($shift->weekdays, (string) $weekday) && $spans[] = [$shift->from, $shift->end()];
            }
            sort($spans);
            $open = $reached = 0;
            foreach ($spans as [$from, $to]) {
                $open += max(0, $to - max($from, $reached));
                $reached = max($reached, $to);
            }
            $longest = max($longest, $open);
        }

        return $longest;
    }

    /**
     * Whether it has a unit on any of some weekdays.
     *
     * @param  string  $weekdays  as digits from 1 (Monday)
     */
    public function opensOn(string $weekdays): bool
    {
        if ($this->shifts === []) {
            return $this->centre->units > 0 && $weekdays !== '';
        }
        foreach ($this->shifts as $shift) {
            $hasDay = strpbrk($shift->weekdays, $weekdays === '' ? ' ' : $weekdays) !== false;
            if ($hasDay && min($shift->units ?? $this->centre->units, $this->centre->units) > 0) {
                return true;
            }
        }

        return false;
    }

    /** The most units that work side by side by its shifts. */
    public function mostUnits(): int
    {
        if ($this->shifts === []) {
            return $this->centre->units;
        }
        $most = 0;
        for ($weekday = 1; $weekday <= self::LAST_WEEKDAY; $weekday++) {
            $before = $weekday === 1 ? self::LAST_WEEKDAY : $weekday - 1;
            foreach ($this->pattern($weekday, true, $before, true) as [, , $units]) {
                $most = max($most, $units);
            }
        }

        return $most;
    }

    /** @return list<Stretch> */
    private function workedOut(int $day): array
    {
        $spans = $this->pattern(
            Day::weekday($day), $this->calendar->works($day), Day::weekday($day - 1), $this->calendar->works($day - 1),
        );
        $start = $day * Minute::DAY;
        if (! isset($this->closed[$day])) {
            return array_map(fn (array $span) => new Stretch($start + $span[0], $start + $span[1], new Units($span[2])), $spans);
        }
        $cuts = [];
        foreach ($this->closed[$day] as $closure) {
            $cuts[] = max(0, Minute::parse($closure->from) - $start);
            $cuts[] = min(Minute::DAY, Minute::parse($closure->to) - $start);
        }
        sort($cuts);
        $stretches = [];
        foreach ($spans as [$from, $to, $units]) {
            foreach ([...array_filter($cuts, fn (int $cut) => $cut > $from && $cut < $to), $to] as $cut) {
                $on = $cut > $from ? $this->withoutClosed($day, $start + $from, new Units($units)) : null;
                $on === null || $on->count === 0 || $stretches[] = new Stretch($start + $from, $start + $cut, $on);
                $from = $cut;
            }
        }

        return $stretches;
    }

    /** The units left at a minute: first the named ones are off, then the highest of the others, then all. */
    private function withoutClosed(int $day, int $minute, Units $units): Units
    {
        $number = 0;
        foreach ($this->closed[$day] as $closure) {
            if ($minute < Minute::parse($closure->from) || $minute >= Minute::parse($closure->to)) {
                continue;
            }
            if ($closure->unit !== null) {
                $units = $units->withoutUnit($closure->unit);
            } else {
                $number += $closure->units ?? $units->top;
            }
        }

        return $units->withoutHighest(min($number, $units->top));
    }

    /**
     * The minutes of a day in which units are on by the shifts that begin on it or on the day before.
     *
     * @return list<array{int, int, int}> from, to, number of units, ascending
     */
    private function pattern(int $weekday, bool $works, int $before, bool $workedBefore): array
    {
        return $this->patterns["{$weekday} {$works} {$before} {$workedBefore}"] ??= $this->patternOf(
            $works ? $weekday : null, $workedBefore ? $before : null,
        );
    }

    /** @return list<array{int, int, int}> */
    private function patternOf(?int $today, ?int $before): array
    {
        if ($this->shifts === []) {
            return $today === null || $this->centre->units === 0 ? [] : [[0, Minute::DAY, $this->centre->units]];
        }
        $changes = [];
        $add = function (int $from, int $to, int $units) use (&$changes): void {
            if ($from < $to) {
                $changes[$from] = ($changes[$from] ?? 0) + $units;
                $changes[$to] = ($changes[$to] ?? 0) - $units;
            }
        };
        foreach ($this->shifts as $shift) {
            $units = $shift->units ?? $this->centre->units;
            if ($today !== null && str_contains($shift->weekdays, (string) $today)) {
                $add($shift->from, min(Minute::DAY, $shift->end()), $units);
            }
            if ($before !== null && str_contains($shift->weekdays, (string) $before)) {
                $add(max(0, $shift->from - Minute::DAY), $shift->end() - Minute::DAY, $units);
            }
        }
        ksort($changes);
        $spans = [];
        $sum = 0;
        $since = 0;
        foreach ($changes as $minute => $change) {
            $on = min($sum, $this->centre->units);
            if ($on > 0 && $minute > $since) {
                $last = array_key_last($spans);
                if ($last !== null && $spans[$last][1] === $since && $spans[$last][2] === $on) {
                    $spans[$last][1] = $minute;
                } else {
                    $spans[] = [$since, $minute, $on];
                }
            }
            $sum += $change;
            $since = $minute;
        }

        return $spans;
    }
}
