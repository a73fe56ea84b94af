<?php

declare(strict_types=1);

namespace Yposta\Core\Promise;

use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Support\Phrase;

/**
 * Promises to customers: a tentative sales line is planned with everything else, on one day after the other, until it is served by its
 * day and no other line is served later for it (scheduling rules, section 5). Regardless of others, it only has to be served itself.
 */
final readonly class Promises
{
    private Calendar $calendar;

    /** The first day that is asked for. */
    private int $from;

    /**
     * @param  int  $qty  millionths
     * @param  int  $wished  day number
     * @param  list<SalesLine>  $given  tentative lines that are promised along with it
     * @param  bool  $regardless  whether others may be served later
     *
     * @throws DoesNotFit when there is no such thing to promise, or not on that day
     */
    public function __construct(
        private PromiseGround $ground,
        private string $item,
        private string $site,
        private int $qty,
        int $wished,
        private array $given = [],
        private bool $regardless = false,
    ) {
        $ground->check($item, $site, $qty, $wished);
        $this->from = max($wished, $ground->options->planDate);
        $this->calendar = $ground->calendar($site);
    }

    /** @param  bool  $sources  whether it is asked of what it is made */
    public function answer(bool $sources = true): PromiseAnswer
    {
        $days = $this->days();
        $isFirst = isset($days[0]) && $this->holdsOn($days[0]);
        $isAll = ($days[0] ?? null) === $this->from ? $isFirst : null;
        [$onDate, $earliest] = $isFirst
            ? [$this->onDate($isAll), $days[0]]
            : $this->ground->search->both(
                fn () => $this->onDate($isAll),
                fn () => $this->ground->search->first(array_slice($days, 1), $this->holdsOn(...)),
            );

        return new PromiseAnswer(
            earliest: $earliest,
            onDate: $onDate,
            split: $this->split($earliest, $onDate),
            madeOf: $earliest === null || ! $sources ? null : $this->madeOf($earliest),
            decidedBy: $this->decidedBy($earliest),
        );
    }

    /** The first working day that holds for all of it, as a day number; null where there is none up to the horizon. */
    public function earliest(): ?int
    {
        return $this->ground->search->first($this->days(), $this->holdsOn(...));
    }

    private function holdsOn(int $day): bool
    {
        return $this->holds([new PromisePart($this->qty, $day)]);
    }

    /**
     * Whether parts can be promised.
     *
     * @param  non-empty-list<PromisePart>  $parts
     */
    public function holds(array $parts): bool
    {
        return $this->ground->holds([...$this->given, ...$this->lines($parts)], $this->regardless);
    }

    /**
     * The tentative lines of parts.
     *
     * @param  non-empty-list<PromisePart>  $parts
     * @return non-empty-list<SalesLine>
     */
    public function lines(array $parts): array
    {
        return array_map(fn (PromisePart $part, int $place) => PromiseGround::tentative(
            count($this->given) + $place + 1, $this->item, $this->site, $part->qty, $part->date,
        ), $parts, array_keys($parts));
    }

    /** @return list<int> the working days of the site from the first that is asked for to the horizon */
    private function days(): array
    {
        $days = [];
        $day = $this->calendar->forward($this->from, 0);
        while ($day <= $this->ground->options->horizonEnd) {
            $days[] = $day;
            $day = $this->calendar->forward($day, 1);
        }

        return $days;
    }

    /**
     * What can be had on the wished day, in steps of the item.
     *
     * @param  bool|null  $isAll  whether all of it can be; null where that is not known yet
     */
    private function onDate(?bool $isAll): int
    {
        if ($isAll ?? $this->holds([new PromisePart($this->qty, $this->from)])) {
            return $this->qty;
        }
        $step = $this->ground->network->items[$this->item]->step();
        [$least, $most] = [0, intdiv($this->qty, $step)];
        while ($most - $least > 1) {
            $middle = intdiv($least + $most, 2);
            if ($this->holds([new PromisePart($middle * $step, $this->from)])) {
                $least = $middle;
            } else {
                $most = $middle;
            }
        }

        return $least * $step;
    }

    /** @return list<PromisePart> */
    private function split(?int $earliest, int $onDate): array
    {
        if ($onDate > 0 && $onDate < $this->qty) {
            $first = new PromisePart($onDate, $this->from);
            $rest = fn (int $day) => new PromisePart($this->qty - $onDate, $day);
            $day = $this->ground->search->first($this->days(), fn (int $day) => $this->holds([$first, $rest($day)]));
            if ($day !== null) {
                return [$first, $rest($day)];
            }
        }

        return $earliest === null ? [] : [new PromisePart($this->qty, $earliest)];
    }

    private function madeOf(int $day): ?PromiseSources
    {
        $lines = $this->lines([new PromisePart($this->qty, $day)]);

        return $this->ground->read([...$this->given, ...$lines], function (Plan $plan) use ($lines): ?PromiseSources {
            $demand = $this->ground->demand($plan, $lines[0]);

            return $demand === null ? null : PromiseSources::of($plan, $demand);
        });
    }

    private function decidedBy(?int $earliest): ?Phrase
    {
        $first = $this->calendar->forward($this->from, 0);
        if ($earliest === $first) {
            return null;
        }
        $day = $earliest === null ? $this->from : $this->calendar->back($earliest, 1);
        $lines = $this->lines([new PromisePart($this->qty, $day)]);

        return $this->ground->read(
            [...$this->given, ...$lines], fn (Plan $plan, bool $isRoom) => $this->ground->why($plan, $isRoom, [...$lines, ...$this->given]),
        );
    }
}
