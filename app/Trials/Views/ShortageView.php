<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Shapes\ShortageDay;
use App\Reading\Shapes\ShortageGroup;
use App\Reading\Shapes\ShortageList;
use App\Reading\Shapes\ShortageRow;
use App\Support\Stored;
use App\Trials\ShortageFilter;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Shortage\Need;
use Yposta\Core\Shortage\NeedState;
use Yposta\Core\Shortage\Shortages;
use Yposta\Core\Trial\Trial;

/** The needs of a window: when they bite, a page of them as rows, and why each is not covered. */
final readonly class ShortageView
{
    /** Windows of more days stand by weeks. */
    private const MOST_DAYS = 28;

    private Shortages $shortages;

    private TrialPresenter $presenter;

    /** @var array<string, string> reasons by identity */
    private array $accepted;

    private function __construct(private Plan $plan, Trial $trial, bool $countUnsent, private ShortageFilter $filter)
    {
        $this->shortages = new Shortages($plan, $countUnsent);
        $this->presenter = new TrialPresenter($trial->network(), $plan->options->planDate);
        $this->accepted = array_map(Stored::text(...), DB::table('accepted_shortages')->pluck('reason', 'identity')->all());
    }

    public static function of(Trial $trial, bool $countUnsent, ShortageFilter $filter): ShortageList
    {
        return $trial->with([], fn (Plan $plan) => (new self($plan, $trial, $countUnsent, $filter))->list());
    }

    private function list(): ShortageList
    {
        $today = $this->plan->options->planDate;
        $needs = array_values(array_filter(
            $this->shortages->until($today + $this->filter->days),
            fn (Need $need) => ($this->filter->site === '' || $need->point->site->code === $this->filter->site) && $this->isFound($need),
        ));
        $from = $this->filter->from === '' ? PHP_INT_MIN : Day::parse($this->filter->from);
        $to = $this->filter->to === '' ? PHP_INT_MAX : Day::parse($this->filter->to);
        $listed = $items = $orders = [];
        foreach ($needs as $need) {
            $day = max($today, (int) $need->demand->date);
            if ($day >= $from && $day <= $to && $this->isListed($need)) {
                $listed[] = $need;
                $items[$need->point->item->code] = true;
                $need->demand->for === null || $orders[spl_object_id($need->demand->for)] = true;
            }
        }
        $urgency = array_flip(array_map(fn (NeedState $state) => $state->value, NeedState::cases()));
        usort($listed, fn (Need $a, Need $b) => [max($today, (int) $a->demand->date), $urgency[$a->state->value]]
            <=> [max($today, (int) $b->demand->date), $urgency[$b->state->value]]); // what is worst of a day stands first; the sort is stable
        $groups = $this->groups($listed);
        $total = array_sum(array_map(count(...), $groups));
        [$rows, $heads] = $this->page($groups);
        $opened = $this->filter->open === '' ? null : $this->shortages->find($this->filter->open);

        return new ShortageList(
            $rows, $heads, $total, count($listed), count($items), count($orders), $this->days($needs),
            $opened === null ? null : $this->row($opened, '', $this->shortages->ends($opened)),
        );
    }

    private function isListed(Need $need): bool
    {
        return $this->filter->state === '' ? $need->state !== NeedState::Covered : $need->state->value === $this->filter->state;
    }

    /** Whether what is searched for stands in its item, its order or whom it is for. */
    private function isFound(Need $need): bool
    {
        $text = mb_strtolower($this->filter->q);
        if ($text === '') {
            return true;
        }
        $item = $need->point->item;
        $near = "{$item->code} {$item->name} {$this->presenter->consumer($this->plan, $need->demand)->label}";

        return str_contains(mb_strtolower($near), $text)
            || str_contains(mb_strtolower(implode(' ', self::lines($this->shortages->ends($need)))), $text);
    }

    /**
     * @param  list<Need>  $needs
     * @return list<ShortageDay>
     */
    private function days(array $needs): array
    {
        $today = $this->plan->options->planDate;
        $last = $today + $this->filter->days;
        $size = $this->filter->days > self::MOST_DAYS ? 7 : 1;
        $start = fn (int $day): int => $size === 1 ? $day : max($today, Day::weekStart($day));
        $days = [];
        for ($day = $today; $day <= $last; $day++) {
            if ($size === 7 || Day::weekday($day) <= 5 || $day === $today) {
                $days[$start($day)] ??= ['waiting' => 0, 'passed' => 0, 'order_now' => 0, 'covered' => 0];
            }
        }
        foreach ($needs as $need) {
            $day = $start(max($today, (int) $need->demand->date));
            $days[$day] ??= ['waiting' => 0, 'passed' => 0, 'order_now' => 0, 'covered' => 0];
            $days[$day][$need->state->value]++;
        }
        ksort($days);
        $iso = $this->presenter->dates->iso(...);
        $told = [];
        foreach ($days as $day => $count) {
            $end = $size === 1 ? $day : min($last, Day::weekStart($day) + 6);
            $told[] = new ShortageDay($iso($day), $iso($end), $count['waiting'], $count['passed'], $count['order_now'], $count['covered']);
        }

        return $told;
    }

    /**
     * The needs under their headings, in the order in which they stand.
     *
     * @param  list<Need>  $needs  by date
     * @return array<string, list<Need>>
     */
    private function groups(array $needs): array
    {
        $groups = [];
        foreach ($needs as $need) {
            $keys = match ($this->filter->by) {
                'component' => [$need->point->item->code],
                'order' => [$this->presenter->consumer($this->plan, $need->demand)->label."\x1f".$need->demand->for?->due],
                'customer' => self::lines($this->shortages->ends($need)),
                default => [(string) max($this->plan->options->planDate, (int) $need->demand->date)],
            };
            foreach ($keys as $key) {
                $groups[$key][] = $need;
            }
        }

        return $groups;
    }

    /**
     * The rows of a page and the headings above them.
     *
     * @param  array<string, list<Need>>  $groups
     * @return array{list<ShortageRow>, list<ShortageGroup>}
     */
    private function page(array $groups): array
    {
        $rows = $heads = [];
        $place = 0;
        foreach ($groups as $key => $needs) {
            $from = max(0, $this->filter->offset - $place);
            $part = array_slice($needs, $from, ShortageFilter::PAGE - count($rows));
            $place += count($needs);
            if ($from >= count($needs) || $part === []) {
                continue;
            }
            $heads[] = $this->head((string) $key, $needs);
            foreach ($part as $need) {
                $rows[] = $this->row($need, (string) $key, $this->shortages->ends($need));
            }
        }

        return [$rows, $heads];
    }

    /** @param  non-empty-list<Need>  $needs  all of the group */
    private function head(string $key, array $needs): ShortageGroup
    {
        $orders = $items = [];
        foreach ($needs as $need) {
            $items[$need->point->item->code] = true;
            $orders[$need->demand->for === null ? $need->demand->reference() : spl_object_id($need->demand->for)] = true;
        }
        $count = (string) trans_choice('{1} 1 need|[2,*] :count needs', count($needs));
        $ofOrders = $count.' '.trans_choice('{1} of 1 order|[2,*] of :count orders', count($orders));
        $first = $needs[0];
        $due = $first->demand->for?->due;
        [$label, $note] = match ($this->filter->by) {
            'component' => [$key, "{$first->point->item->name}, {$ofOrders}"],
            'order' => [
                explode("\x1f", $key)[0],
                ($due === null ? '' : trans('due :day', ['day' => $this->presenter->day($due)]).', ').$count,
            ],
            'customer' => [$key, $this->lineNote($key, $first).$count],
            default => [$this->presenter->day((int) $key), $ofOrders],
        };

        return new ShortageGroup($key, $label, $note, count($needs));
    }

    /** When the sales line that a group is under is due, and how late it will be. */
    private function lineNote(string $key, Need $need): string
    {
        foreach ($this->shortages->ends($need) as $end) {
            if ($end->kind === DemandKind::Sales && $end->date !== null && self::lines([$end]) === [$key]) {
                $due = (string) trans('due :day', ['day' => $this->presenter->day($end->originalDate ?? $end->date)]);

                return $end->lateDays() > 0
                    ? "{$due}, ".trans_choice('{1} 1 day late|[2,*] :count days late', $end->lateDays()).', '
                    : "{$due}, ";
            }
        }

        return '';
    }

    /** @param  list<Demand>  $ends  whom it is for */
    private function row(Need $need, string $group, array $ends): ShortageRow
    {
        $presenter = $this->presenter;
        $item = $need->point->item;
        $demand = $need->demand;

        return new ShortageRow(
            identity: $need->identity,
            state: $need->state,
            item: $item->code,
            name: $item->name,
            site: $need->point->site->code,
            unit: $item->unit,
            qty: Quantity::format($demand->qty),
            short: Quantity::format($need->short),
            consumer: $presenter->consumer($this->plan, $demand),
            consumerDue: $presenter->dates->isoOrNull($demand->for?->due),
            date: $presenter->dates->iso((int) $demand->date),
            orderBy: $presenter->dates->isoOrNull($need->orderBy),
            daysPast: $need->orderBy === null ? 0 : max(0, $this->plan->options->planDate - $need->orderBy),
            expected: $presenter->dates->isoOrNull($demand->expected),
            lateDays: $demand->lateDays(),
            strip: $presenter->strip($need->cover, $item->unit),
            hits: self::hits($ends),
            lines: self::lines($ends),
            served: self::served($presenter, $need),
            reference: $demand->reference(),
            subject: self::subject($demand),
            because: $this->because($need),
            group: $group,
            accepted: $this->accepted[$need->identity] ?? null,
        );
    }

    /** What keeps it from being covered in time: the supply that is latest, the day to order that has passed, or what is still to do. */
    private function because(Need $need): string
    {
        $latest = $unsent = null;
        foreach ($need->pegs as $peg) {
            $supply = $peg->supply;
            if ($supply->available > $need->demand->date && ($latest === null || $supply->available > $latest->available)) {
                $latest = $supply;
            }
            $supply->kind === SupplyKind::Order && ! $supply->released && $unsent = $supply;
        }
        $today = $this->plan->options->planDate;

        return match ($need->state) {
            NeedState::Waiting => $latest === null ? '' : $this->late($latest, $latest->available - (int) $need->demand->date),
            NeedState::Passed => $need->orderBy === null
                ? (string) trans('nobody to get it from')
                : (string) trans_choice(
                    '{0} to order today, there too late|{1} not ordered; 1 day past its day|[2,*] not ordered; :count days past its day',
                    max(0, $today - $need->orderBy),
                ),
            NeedState::OrderNow => $need->orderBy !== null
                ? (string) trans('order by :day', ['day' => $this->presenter->day($need->orderBy)])
                : (string) trans(':order is not sent', ['order' => TrialPresenter::code($unsent->name ?? '')]),
            NeedState::Covered => (string) trans('in time'),
        };
    }

    /** "P-3308 comes Tue 10 Mar, 6 days late", and of what waits itself what it waits for: "its PCB-061 comes Tue 3 Mar". */
    private function late(Supply $supply, int $days): string
    {
        $begins = $supply->waitsFor?->holdUp?->supply; // in which the delay of what it waits for begins
        if ($begins !== null) {
            return (string) trans('its :item comes :day', [
                'item' => $this->plan->structure->points[$begins->point]->item->code, 'day' => $this->presenter->day($begins->available),
            ]);
        }

        return $supply->kind === SupplyKind::Order
            ? (string) trans_choice(
                '{1} :order comes :day, 1 day late|[2,*] :order comes :day, :count days late', max(1, $days),
                ['order' => TrialPresenter::code($supply->name), 'day' => $this->presenter->day($supply->available)],
            )
            : (string) trans('there :day', ['day' => $this->presenter->day($supply->available)]);
    }

    /**
     * Customers first, each once.
     *
     * @param  list<Demand>  $ends
     * @return list<string>
     */
    private static function hits(array $ends): array
    {
        $names = [];
        foreach ($ends as $end) {
            $end->kind === DemandKind::Sales && $names[$end->customer] = true;
        }
        if ($names === []) {
            foreach ($ends as $end) {
                $names[(string) trans($end->kind === DemandKind::Forecast ? 'forecast' : 'stock')] = true;
            }
        }

        return array_map(strval(...), array_keys($names));
    }

    /**
     * The sales lines that it is for, or what else.
     *
     * @param  list<Demand>  $ends
     * @return list<string>
     */
    private static function lines(array $ends): array
    {
        $names = [];
        foreach ($ends as $end) {
            $names[match ($end->kind) {
                DemandKind::Sales => "{$end->name}/{$end->line} {$end->customer}",
                DemandKind::Forecast => (string) trans('Forecast :name', ['name' => $end->name]),
                default => (string) trans('Safety stock'),
            }] = true;
        }

        return array_map(strval(...), array_keys($names));
    }

    /** The reference of the order or sales line whose need it is; what is only proposed or drafted has none in the live plan. */
    private static function subject(Demand $demand): ?string
    {
        if ($demand->for === null) {
            return $demand->kind === DemandKind::Sales ? $demand->reference() : null;
        }

        return $demand->for->isProposal() || NewOrderCode::is($demand->for->name) ? null : $demand->for->reference();
    }

    /** "10 pcs from stock; P-3308 from Fennick Circuits brings 13 pcs on Tue 10 Mar". */
    private static function served(TrialPresenter $presenter, Need $need): string
    {
        $said = [];
        foreach ($need->pegs as $peg) {
            $qty = $presenter->quantity($peg->qty, $need->point->item->code);
            $said[] = $peg->supply->kind->value === 'stock'
                ? (string) trans(':qty from stock', ['qty' => $qty])
                : (string) trans(
                    ':supply brings :qty on :day',
                    ['supply' => $presenter->supply($peg->supply), 'qty' => $qty, 'day' => $presenter->day($peg->supply->available)],
                );
        }
        $need->demand->uncovered > 0
            && $said[] = (string) trans(
                ':qty covered by nothing',
                ['qty' => $presenter->quantity($need->demand->uncovered, $need->point->item->code)],
            );

        return implode('; ', $said);
    }
}
