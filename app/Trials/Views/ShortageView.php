<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Shapes\ShortageDay;
use App\Reading\Shapes\ShortageGroup;
use App\Reading\Shapes\ShortageList;
use App\Reading\Shapes\ShortageRow;
use App\Trials\ShortageFilter;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Plan\Plan;
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

    private ShortageRows $rows;

    private function __construct(private Plan $plan, Trial $trial, bool $countUnsent, private ShortageFilter $filter)
    {
        $this->shortages = new Shortages($plan, $countUnsent);
        $this->presenter = new TrialPresenter($trial->network(), $plan->options->planDate);
        $this->rows = new ShortageRows($plan, $this->presenter);
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
            fn (Need $need) => in_array($this->filter->site, ['', $need->point->site->code], true) && $this->isFound($need),
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
        $place = fn (Need $need): array => [max($today, (int) $need->demand->date), $urgency[$need->state->value]];
        usort($listed, fn (Need $a, Need $b) => $place($a) <=> $place($b)); // what is worst of a day stands first; the sort is stable
        $groups = $this->groups($listed);
        $total = array_sum(array_map(count(...), $groups));
        [$rows, $heads] = $this->page($groups);
        $opened = $this->filter->open === '' ? null : $this->shortages->find($this->filter->open);

        return new ShortageList(
            rows: $rows,
            groups: $heads,
            total: $total,
            needs: count($listed),
            components: count($items),
            orders: count($orders),
            days: $this->days($needs),
            opened: $opened === null ? null : $this->rows->row($opened, '', $this->shortages->ends($opened)),
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
            || str_contains(mb_strtolower(implode(' ', ShortageRows::lines($this->shortages->ends($need)))), $text);
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
                'customer' => ShortageRows::lines($this->shortages->ends($need)),
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
            $part = array_slice($needs, $from, $this->filter->rows - count($rows));
            $place += count($needs);
            if ($from >= count($needs) || $part === []) {
                continue;
            }
            $heads[] = $this->head((string) $key, $needs);
            foreach ($part as $need) {
                $rows[] = $this->rows->row($need, (string) $key, $this->shortages->ends($need));
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
            if ($end->kind->isOrdered() && $end->date !== null && ShortageRows::lines([$end]) === [$key]) {
                $due = (string) trans('due :day', ['day' => $this->presenter->day($end->originalDate ?? $end->date)]);

                return $end->lateDays() > 0
                    ? "{$due}, ".trans_choice('{1} 1 day late|[2,*] :count days late', $end->lateDays()).', '
                    : "{$due}, ";
            }
        }

        return '';
    }
}
