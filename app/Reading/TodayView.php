<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\LabelledValue;
use App\Reading\Shapes\Link;
use App\Reading\Shapes\TodayDay;
use App\Reading\Shapes\TodayLine;
use App\Reading\Shapes\Tone;
use App\Support\Words;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Calendar\Day;

/** What needs the planner today, worst for customers first. */
final readonly class TodayView
{
    private const DAYS = 10;

    public function __construct(private StoredPlan $plan)
    {
    }

    /** @return list<TodayLine> */
    public function lines(string $site): array
    {
        return [
            ...(new TodayLate($this->plan, $this->demands($site)))->lines(), ...$this->proposals($site), ...$this->openOrders($site),
            ...$this->short($site), ...$this->holds($site), ...(new TodayPurchasing($this->plan->planDate))->lines($site),
            ...BlockedList::today($site),
        ];
    }

    /** @return list<TodayLine> */
    private function proposals(string $site): array
    {
        $open = new OpenProposals($this->plan, new ProposalFilter($site));
        $planDate = $this->plan->run->plan_date;
        $lines = [];
        $passed = $open->query()->where('s.start', '<', $planDate);
        $count = (new OpenProposals($this->plan, new ProposalFilter($site, $this->plan->dates->iso($this->plan->planDate - 1))))->count();
        if ($count > 0) {
            $names = $this->names(
                $passed->orderBy('s.start'),
                fn ($row) => trans(
                    ':item by :days',
                    [
                        'item' => $row->item_code,
                        'days' => trans_choice(
                            '{1} 1 day|[2,*] :count days',
                            $late = $this->plan->planDate - Day::parse(substr($row->start, 0, 10)),
                            ['count' => $late],
                        ),
                    ],
                ),
            );
            $lines[] = new TodayLine(
                icon: 'passed',
                tone: Tone::Broken,
                title: trans_choice('{1} 1 proposal|[2,*] :count proposals', $count, ['count' => $count]),
                emphasis: trans('past the date to start'),
                note: $names,
                strip: null,
                action: new Link(trans('Order or excuse'), '/proposals?until=today'),
            );
        }
        $today = $open->query()->where('s.start', $planDate);
        $count = (clone $today)->count();
        if ($count > 0) {
            $kinds = (clone $today)->groupBy('s.type')->selectRaw('s.type, count(*) as number')->pluck('number', 'type');
            $note = implode(', ', array_filter([
                isset($kinds['buy']) ? trans(':count to buy', ['count' => $kinds['buy']]) : '',
                isset($kinds['make']) ? trans(':count to make', ['count' => $kinds['make']]) : '',
                isset($kinds['transfer']) ? trans(':count to transfer', ['count' => $kinds['transfer']]) : '',
            ]));
            $lines[] = new TodayLine(
                icon: 'today',
                tone: Tone::Look,
                title: trans_choice('{1} 1 proposal|[2,*] :count proposals', $count, ['count' => $count]),
                emphasis: trans('to order or start today'),
                note: $note,
                strip: null,
                action: new Link(trans('Convert'), '/proposals?until=today'),
            );
        }

        return $lines;
    }

    /** @return list<TodayLine> */
    private function openOrders(string $site): array
    {
        $codes = collect((new MessageList($this->plan))->counts($site))->only(['bring_in', 'push_out', 'cancel', 'overdue']);
        if ($codes->isEmpty()) {
            return [];
        }
        $notes = array_filter(array_map(
            fn (string $code) => isset($codes[$code]) ? trans("messages.count.{$code}", ['count' => $codes[$code]]) : '',
            ['overdue', 'bring_in', 'push_out', 'cancel'],
        ));
        $count = (int) $codes->sum();

        return [new TodayLine(
            icon: 'moved',
            tone: Tone::Look,
            title: trans_choice('{1} 1 message|[2,*] :count messages', $count, ['count' => $count]),
            emphasis: trans('on open orders'),
            note: implode(', ', $notes),
            strip: null,
            action: new Link(trans('Go through'), '/messages'),
        )];
    }

    /** @return list<TodayLine> */
    private function short(string $site): array
    {
        $until = $this->plan->dates->iso($this->plan->planDate + 14);
        $short = $this->plan->pointsQuery()->whereNotNull('p.short_from')->where('p.short_from', '<=', $until)
            ->when($site !== '', fn (Builder $query) => $query->where('p.site_code', $site));
        $count = DB::table('plan_points as p')->where('p.run_id', $this->plan->run->id)->whereNotNull('p.short_from')->where('p.short_from', '<=', $until)
            ->when($site !== '', fn (Builder $query) => $query->where('p.site_code', $site))->count();
        if ($count === 0) {
            return [];
        }
        $names = $this->names(
            $short->orderBy('p.short_from')->orderBy('p.item_code'),
            fn ($row) => trans(
                ':item from :day',
                ['item' => $row->item_code, 'day' => Words::isoDay($row->short_from, $this->plan->planDate)],
            ),
        );

        return [new TodayLine(
            icon: 'short',
            tone: Tone::Broken,
            title: trans_choice('{1} 1 item|[2,*] :count items', $count, ['count' => $count]),
            emphasis: trans('short within two weeks'),
            note: $names,
            strip: null,
            action: new Link(trans('Ways out'), '/shortages'),
        )];
    }

    /** @return list<TodayLine> what is held for customers and lapses today or tomorrow */
    private function holds(string $site): array
    {
        $held = new HeldPromises;
        [$today, $tomorrow] = [$this->plan->dates->iso($this->plan->planDate), $this->plan->dates->iso($this->plan->planDate + 1)];
        $count = $held->lapsing($site, $today, $tomorrow);

        return $count === 0 ? [] : [new TodayLine(
            icon: 'today',
            tone: Tone::Look,
            title: trans_choice('{1} 1 promise that is held|[2,*] :count promises that are held', $count, ['count' => $count]),
            emphasis: trans_choice('{1} lapses by tomorrow evening|[2,*] lapse by tomorrow evening', $count),
            note: trans_choice('{0} none of them today|[1,*] :count of them today', $now = $held->lapsing($site, $today, $today), ['count' => $now]),
            strip: null,
            action: new Link(trans('Accept or drop'), '/promise'),
        )];
    }

    /**
     * What starts, arrives and leaves on the next working days.
     *
     * @return list<TodayDay>
     */
    public function days(string $site, Calendar $calendar): array
    {
        $days = [];
        for ($day = $calendar->forward($this->plan->planDate, 0); count($days) < self::DAYS; $day = $calendar->forward($day + 1, 0)) {
            $days[$this->plan->dates->iso($day)] = [
                'start' => 0, 'startTrouble' => 0, 'arrive' => 0, 'arriveTrouble' => 0, 'leave' => 0, 'leaveTrouble' => 0,
            ];
        }
        [$first, $last] = [(string) array_key_first($days), (string) array_key_last($days)];
        $count = function (iterable $rows, string $what) use (&$days): void {
            foreach ($rows as $row) {
                $day = substr($row->day, 0, 10);
                if (isset($days[$day])) {
                    $days[$day][$what] += (int) $row->number;
                    $days[$day]["{$what}Trouble"] += (int) $row->trouble;
                }
            }
        };
        $supplies = fn (): Builder => DB::table('plan_supplies as s')->where('s.run_id', $this->plan->run->id)
            ->when($site !== '', fn (Builder $query) => $query->whereIn(
                's.point',
                DB::table('plan_points')->where('run_id', $this->plan->run->id)->where('site_code', $site)->select('n'),
            ));
        $count($supplies()->whereIn('s.kind', ['order', 'proposal'])->where('s.released', false)->whereBetween('s.start', [$first, $last])->groupBy('s.start')
            ->selectRaw('s.start as day, count(*) as number, sum(case when s.waits_for is not null then 1 else 0 end) as trouble')->get(),
            'start');
        $count($supplies()->where('s.kind', 'order')->whereBetween('s.available', [$first, $last])->groupBy('s.available')
            ->selectRaw('s.available as day, count(*) as number, sum(case when s.available > s.due or s.brought_in then 1 else 0 end) as trouble')->get(),
            'arrive');
        $count($this->demands($site)->whereIn('d.kind', StoredPlan::ORDERED)->whereBetween('d.date', [$first, $last])->groupBy('d.date')
            ->selectRaw('d.date as day, count(*) as number, sum(case when d.late_days > 0 or d.uncovered > 0 then 1 else 0 end) as trouble')->get(),
            'leave');

        $shaped = [];
        foreach ($days as $day => $counts) {
            $shaped[] = new TodayDay($day, ...$counts);
        }

        return $shaped;
    }

    /** @return list<LabelledValue> days that sales lines are late, by reason */
    public function lateByReason(): array
    {
        $facts = [];
        foreach ((array) ($this->plan->run->summary['lateByReason'] ?? []) as $reason => $days) {
            $facts[] = new LabelledValue(trans("messages.reason.{$reason}"), (string) $days);
        }

        return $facts;
    }

    private function demands(string $site): Builder
    {
        return DB::table('plan_demands as d')->where('d.run_id', $this->plan->run->id)->when($site !== '', fn (Builder $query) => $query->join(
            'plan_points as p',
            fn ($join) => $join->on('p.run_id', '=', 'd.run_id')->on('p.n', '=', 'd.point'),
        )->where('p.site_code', $site));
    }

    /** @param  callable(\stdClass): string  $say */
    private function names(Builder $query, callable $say): string
    {
        $rows = $query->limit(4)->get();

        return implode(', ', array_slice($rows->map(fn ($row) => $say($row))->all(), 0, 3)).($rows->count() > 3 ? ' …' : '');
    }
}
