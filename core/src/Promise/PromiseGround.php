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
use Yposta\Core\Run\HoldUpReason;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\PutSalesLine;
use Yposta\Core\Study\SoundChange;
use Yposta\Core\Support\Phrase;
use Yposta\Core\Trial\Effect;
use Yposta\Core\Trial\Outcome;
use Yposta\Core\Trial\Trial;

/** What promises are planned on: sales lines are put beside all that is there, with the shop or without it. */
final class PromiseGround
{
    /** The order of tentative lines; one of that code in the data stands in the way. */
    public const ORDER = 'PROMISE';

    /** A line that is only asked for counts less than all that are there. */
    public const PRIORITY = 9;

    public readonly Network $network;

    /** What stands without a promise. */
    private readonly Outcome $before;

    /** @var array<string, SalesLine> by reference */
    private array $lines = [];

    /** @param  ShopGround|null  $shop  where capacity counts, of the same trial */
    public function __construct(
        private readonly Trial $trial,
        public readonly Options $options,
        private readonly ?ShopGround $shop = null,
        public readonly DaySearch $search = new OneByOne,
    ) {
        $this->network = $trial->network();
        $this->before = $trial->outcome();
        foreach ($this->network->sales as $line) {
            $this->lines[(string) $line->reference()] = $line;
        }
    }

    /** A tentative line, by its number. */
    public static function tentative(int $number, string $item, string $site, int $qty, int $due): SalesLine
    {
        return SalesLine::of(
            order: self::ORDER, line: (string) $number, item: $item, site: $site, qty: $qty, due: $due, priority: self::PRIORITY,
        );
    }

    /** The working days of a site. */
    public function calendar(string $site): Calendar
    {
        $calendar = $this->network->sites[$site]->calendar;

        return $this->options->calendars && $calendar !== null ? $this->network->calendars[$calendar] : Calendar::everyDay();
    }

    /**
     * @param  int  $qty  millionths
     * @param  int  $wished  day number
     *
     * @throws DoesNotFit when there is no such thing to promise, or not on that day
     */
    public function check(string $item, string $site, int $qty, int $wished): void
    {
        $decimals = ($this->network->items[$item] ?? throw DoesNotFit::because('no_item', ['item' => $item]))->decimals;
        isset($this->network->sites[$site]) || throw DoesNotFit::because('no_point', ['item' => $item, 'site' => $site]);
        $qty > 0 || throw DoesNotFit::because('asked_for_nothing');
        Quantity::fits($qty, $decimals) || throw DoesNotFit::because('decimals', ['item' => $item, 'decimals' => $decimals]);
        SoundChange::checkAmount($item, $qty);
        $wished <= $this->options->horizonEnd || throw DoesNotFit::because(
            'after_horizon', ['day' => new Date($wished), 'end' => new Date($this->options->horizonEnd)],
        );
        foreach ($this->lines as $line) {
            $line->order !== self::ORDER || throw DoesNotFit::because('promise_taken', ['order' => self::ORDER]);
        }
    }

    /**
     * Whether lines can be promised: each is served in full by its day, and no other sales line is served later, or less of it.
     *
     * @param  list<SalesLine>  $lines  that are not there yet
     * @param  bool  $regardless  whether others may be served later
     */
    public function holds(array $lines, bool $regardless = false): bool
    {
        return $this->read($lines, fn (Plan $plan, bool $isRoom) => $isRoom && $this->isServed($plan, $lines)
            && ($regardless || $this->hits($plan) === []), false);
    }

    /**
     * Whether each line is served in full by its day.
     *
     * @param  list<SalesLine>  $lines
     */
    public function isServed(Plan $plan, array $lines): bool
    {
        foreach ($lines as $line) {
            $demand = $this->demand($plan, $line);
            if ($demand === null || $demand->uncovered > 0 || $demand->expected === null || $demand->expected > $line->due) {
                return false;
            }
        }

        return true;
    }

    /**
     * The lines that are served later, or less of them, within {@see read()}; the longest first.
     *
     * @return list<PromiseHit>
     */
    public function hits(Plan $plan): array
    {
        return $this->laterThan($this->shop === null ? $this->moved() : $this->shop->moved($plan));
    }

    /**
     * @param  iterable<string, array{int|null, int, int|null, int}>  $moved
     * @return list<PromiseHit>
     */
    private function laterThan(iterable $moved): array
    {
        $hits = [];
        foreach ($moved as $reference => [$before, $uncovered, $after, $missing]) {
            $line = $this->lines[$reference] ?? null;
            if ($line !== null && ($missing > $uncovered || ($after ?? PHP_INT_MIN) > ($before ?? PHP_INT_MAX))) {
                $hits[] = new PromiseHit($line, $before, $after, max(0, $missing - $uncovered));
            }
        }
        usort($hits, fn (PromiseHit $a, PromiseHit $b) => $b->days() <=> $a->days()
            ?: strcmp((string) $a->line->reference(), (string) $b->line->reference()));

        return $hits;
    }

    /** @return iterable<string, array{int|null, int, int|null, int}> expected and uncovered before and after, of what is served otherwise, by reference */
    private function moved(): iterable
    {
        foreach (Effect::between($this->before, $this->trial->standing())->lines as $change) {
            if ($change->before !== null && $change->after !== null) {
                yield $change->after->reference => [
                    $change->before->expected, $change->before->uncovered, $change->after->expected, $change->after->uncovered,
                ];
            }
        }
    }

    /**
     * Reads something from the plan with lines beside all that is there.
     *
     * @template T
     *
     * @param  list<SalesLine>  $lines
     * @param  callable(Plan, bool): T  $read  the plan, and whether the shop has room for what it makes more of
     * @param  bool  $numbers  whether it reads the numbers of proposals
     * @return T
     */
    public function read(array $lines, callable $read, bool $numbers = true): mixed
    {
        return $this->trial->with(self::put($lines), function (Plan $plan) use ($read): mixed {
            $this->shop?->reach($plan);
            $isRoom = $this->shop === null || $this->shop->settle($plan);
            try {
                return $read($plan, $isRoom);
            } finally {
                $plan->work->planned->restore();
            }
        }, $numbers);
    }

    /**
     * What comes of changes that put lines and more; without the shop.
     *
     * @param  list<Change>  $changes
     * @param  list<SalesLine>  $lines
     * @return array{bool, list<PromiseHit>} whether each line is served in full by its day, and who is served later
     *
     * @throws DoesNotFit when a change does not
     */
    public function after(array $changes, array $lines): array
    {
        return $this->trial->with($changes, function (Plan $plan) use ($lines): array {
            $this->shop?->reach($plan);

            return [$this->isServed($plan, $lines), $this->laterThan($this->moved())];
        });
    }

    /**
     * @param  list<SalesLine>  $lines
     * @return list<PutSalesLine>
     */
    public static function put(array $lines): array
    {
        return array_map(fn (SalesLine $line) => new PutSalesLine($line), $lines);
    }

    /**
     * What stands in the way of lines, within {@see read()}.
     *
     * @param  non-empty-list<SalesLine>  $lines
     */
    public function why(Plan $plan, bool $isRoom, array $lines): Phrase
    {
        if (! $isRoom) {
            return new Phrase('promise.no_room', ['item' => $lines[0]->item]);
        }
        foreach ($lines as $line) {
            $demand = $this->demand($plan, $line);
            $holdUp = $demand === null ? null : $plan->holdUp($demand);
            if ($holdUp !== null) {
                // where there is time enough for the lead time, it is the operations that take longer
                return $holdUp->reason === HoldUpReason::LeadTime && $holdUp->left >= $holdUp->lead
                    ? new Phrase('promise.work', [
                        'item' => $plan->structure->points[$holdUp->supply->point]->item->code, 'day' => new Date($holdUp->supply->available),
                    ])
                    : (new PlanPhrases($plan->structure))->holdUp($holdUp);
            }
            if ($demand === null || $demand->uncovered > 0) {
                return new Phrase('promise.uncovered', ['item' => $line->item, 'qty' => new Amount(
                    $demand->uncovered ?? $line->qty, $this->network->items[$line->item]->unit,
                )]);
            }
        }
        $hit = $this->hits($plan)[0] ?? null;

        return new Phrase('promise.hurts', ['line' => $hit?->line->reference()->name ?? '', 'day' => Date::orNull($hit?->after)]);
    }

    /** The demand of a line in a plan; null where the plan does not count it. */
    public function demand(Plan $plan, SalesLine $line): ?Demand
    {
        $point = $plan->structure->find($line->item, $line->site);
        foreach ($point === null ? [] : $plan->demands[$point->index] ?? [] as $demand) {
            if ($demand->kind === DemandKind::Sales && $demand->name === $line->order && $demand->line === $line->line) {
                $this->shop?->expect($demand);

                return $demand;
            }
        }

        return null;
    }
}
