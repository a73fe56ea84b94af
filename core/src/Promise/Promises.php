<?php

declare(strict_types=1);

namespace Yposta\Core\Promise;

use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Calendar\Date;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Options\Options;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\PlanPhrases;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\PutSalesLine;
use Yposta\Core\Support\Phrase;
use Yposta\Core\Trial\Effect;
use Yposta\Core\Trial\Outcome;
use Yposta\Core\Trial\Trial;

/**
 * Promises to customers: a tentative sales line is planned with everything else, on one day after the other, until it is served by its
 * day and no other line is served later for it (scheduling rules, section 5).
 */
final class Promises
{
    /** The order of the tentative line; one of that code in the data stands in the way. */
    public const ORDER = 'PROMISE';

    /** A line that is only asked for counts less than all that are there. */
    private const PRIORITY = 9;

    private readonly Network $network;

    private readonly Calendar $calendar;

    /** What stands without a promise. */
    private readonly Outcome $before;

    /** The first day that is asked for. */
    private readonly int $from;

    /**
     * @param  int  $qty  millionths
     * @param  int  $wished  day number
     * @param  ShopGround|null  $shop  where capacity counts, of the same trial
     *
     * @throws DoesNotFit when there is no such thing to promise, or not on that day
     */
    public function __construct(
        private readonly Trial $trial,
        private readonly Options $options,
        private readonly string $item,
        private readonly string $site,
        private readonly int $qty,
        int $wished,
        private readonly ?ShopGround $shop = null,
    ) {
        $this->network = $trial->network();
        $this->check($wished);
        $this->from = max($wished, $options->planDate);
        $this->before = $trial->outcome();
        $calendar = $this->network->sites[$site]->calendar;
        $this->calendar = $options->calendars && $calendar !== null ? $this->network->calendars[$calendar] : Calendar::everyDay();
    }

    public function answer(): PromiseAnswer
    {
        $earliest = $this->firstDay(fn (int $day) => $this->holds([new PromisePart($this->qty, $day)]));
        $onDate = $this->onDate();

        return new PromiseAnswer(
            earliest: $earliest,
            onDate: $onDate,
            split: $this->split($earliest, $onDate),
            madeOf: $earliest === null ? null : $this->madeOf($earliest),
            decidedBy: $this->decidedBy($earliest),
        );
    }

    /**
     * Whether parts can be promised: each is served in full by its day, and no other sales line is served later, or less of it.
     *
     * @param  list<PromisePart>  $parts
     */
    public function holds(array $parts): bool
    {
        return $this->read($parts, function (Plan $plan, bool $isRoom) use ($parts): bool {
            if (! $isRoom) {
                return false;
            }
            foreach ($parts as $number => $part) {
                $demand = $this->demand($plan, (string) ($number + 1));
                if ($demand === null || $demand->uncovered > 0 || $demand->expected === null || $demand->expected > $part->date) {
                    return false;
                }
            }

            return $this->hurt($plan) === null;
        });
    }

    /**
     * The first other line that is served later, or less of it; null where none is.
     *
     * @return array{string, int|null}|null its reference and when it is served
     */
    private function hurt(Plan $plan): ?array
    {
        if ($this->shop !== null) {
            return $this->shop->hurt($plan);
        }
        foreach (Effect::between($this->before, $this->trial->standing())->lines as $change) {
            [$before, $after] = [$change->before, $change->after];
            if ($before !== null && $after !== null
                && ($after->uncovered > $before->uncovered || ($after->expected ?? PHP_INT_MIN) > ($before->expected ?? PHP_INT_MAX))) {
                return [$after->reference, $after->expected];
            }
        }

        return null;
    }

    /** @param  callable(int): bool  $holds */
    private function firstDay(callable $holds): ?int
    {
        $day = $this->calendar->forward($this->from, 0);
        while ($day <= $this->options->horizonEnd) {
            if ($holds($day)) {
                return $day;
            }
            $day = $this->calendar->forward($day, 1);
        }

        return null;
    }

    /** What can be had on the wished day, in steps of the item. */
    private function onDate(): int
    {
        if ($this->holds([new PromisePart($this->qty, $this->from)])) {
            return $this->qty;
        }
        $step = $this->network->items[$this->item]->step();
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
            $day = $this->firstDay(fn (int $day) => $this->holds([$first, $rest($day)]));
            if ($day !== null) {
                return [$first, $rest($day)];
            }
        }

        return $earliest === null ? [] : [new PromisePart($this->qty, $earliest)];
    }

    private function madeOf(int $day): ?PromiseSources
    {
        return $this->read([new PromisePart($this->qty, $day)], function (Plan $plan): ?PromiseSources {
            $demand = $this->demand($plan, '1');

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

        return $this->read([new PromisePart($this->qty, $day)], function (Plan $plan, bool $isRoom): Phrase {
            if (! $isRoom) {
                return new Phrase('promise.no_room', ['item' => $this->item]);
            }
            $demand = $this->demand($plan, '1');
            $holdUp = $demand === null ? null : $plan->holdUp($demand);
            if ($holdUp !== null) {
                return (new PlanPhrases($plan->structure))->holdUp($holdUp);
            }
            if ($demand === null || $demand->uncovered > 0) {
                return new Phrase('promise.uncovered', ['item' => $this->item, 'qty' => new Amount(
                    $demand->uncovered ?? $this->qty, $this->network->items[$this->item]->unit,
                )]);
            }
            [$line, $then] = $this->hurt($plan) ?? ['', null];

            return new Phrase('promise.hurts', ['line' => substr($line, strlen('sales:')), 'day' => Date::orNull($then)]);
        });
    }

    /**
     * @template T
     *
     * @param  list<PromisePart>  $parts
     * @param  callable(Plan, bool): T  $read  the plan, and whether the shop has room for what it makes more of
     * @return T
     */
    private function read(array $parts, callable $read): mixed
    {
        $changes = [];
        foreach ($parts as $number => $part) {
            $changes[] = new PutSalesLine(SalesLine::of(
                order: self::ORDER, line: (string) ($number + 1), item: $this->item, site: $this->site, qty: $part->qty,
                due: $part->date, priority: self::PRIORITY,
            ));
        }

        return $this->trial->with($changes, function (Plan $plan) use ($read): mixed {
            $isRoom = $this->shop === null || $this->shop->settle($plan);
            try {
                return $read($plan, $isRoom);
            } finally {
                $plan->work->planned->restore();
            }
        });
    }

    private function demand(Plan $plan, string $line): ?Demand
    {
        $point = $plan->structure->find($this->item, $this->site);
        foreach ($point === null ? [] : $plan->demands[$point->index] ?? [] as $demand) {
            if ($demand->kind === DemandKind::Sales && $demand->name === self::ORDER && $demand->line === $line) {
                return $demand;
            }
        }

        return null;
    }

    private function check(int $wished): void
    {
        $item = $this->network->items[$this->item] ?? throw DoesNotFit::because('no_item', ['item' => $this->item]);
        isset($this->network->sites[$this->site])
            || throw DoesNotFit::because('no_point', ['item' => $this->item, 'site' => $this->site]);
        $this->qty > 0 || throw DoesNotFit::because('asked_for_nothing');
        Quantity::fits($this->qty, $item->decimals)
            || throw DoesNotFit::because('decimals', ['item' => $this->item, 'decimals' => $item->decimals]);
        $wished <= $this->options->horizonEnd
            || throw DoesNotFit::because('after_horizon', ['day' => new Date($wished), 'end' => new Date($this->options->horizonEnd)]);
        foreach ($this->network->sales as $line) {
            $line->order !== self::ORDER || throw DoesNotFit::because('promise_taken', ['order' => self::ORDER]);
        }
    }
}
