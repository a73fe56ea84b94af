<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\MessageChange;
use App\Reading\Shapes\MessageKind;
use App\Reading\Shapes\MessageTask;
use App\Reading\Shapes\MessageTasks;
use App\Support\Words;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Run\MessageCode;

/** The messages of a plan as a list to work through: those not answered, or those put away. */
final readonly class MessageList
{
    /** Answers looked up in one query. */
    private const AT_ONCE = 900;

    private Describe $describe;

    public function __construct(private StoredPlan $plan)
    {
        $this->describe = new Describe($plan);
    }

    /**
     * An answer holds as long as the facts of the message are those that were answered, and until its day.
     *
     * @param  bool  $withPoints  whether the points, `p`, are asked for, too
     */
    public function query(string $site, bool $away, string $code = '', string $text = '', bool $withPoints = false): Builder
    {
        $today = substr($this->plan->run->plan_date, 0, 10);

        return DB::table('plan_messages as m')
            ->when($withPoints || $site !== '' || $text !== '', fn (Builder $query) => $query->join(
                'plan_points as p',
                fn ($join) => $join->on('p.run_id', '=', 'm.run_id')->on('p.n', '=', 'm.point'),
            ))
            ->leftJoin('message_answers as a', fn ($join) => $join->on('a.identity', '=', 'm.identity')->on('a.facts', '=', 'm.facts'))
            ->where('m.run_id', $this->plan->run->id)
            ->where(fn (Builder $state) => $away
                ? $state->where('a.state', 'done')->orWhere('a.until', '>', $today)
                : $state->whereNull('a.id')->orWhere(fn (Builder $woken) => $woken->where('a.state', 'snoozed')->where('a.until', '<=', $today)))
            ->when($site !== '', fn (Builder $query) => $query->where('p.site_code', $site))
            ->when($code !== '', fn (Builder $query) => $query->where('m.code', $code))
            ->when($text !== '', fn (Builder $query) => TextMatch::in($query, ['m.text', 'p.item_code'], $text));
    }

    /** How many of a site are open: all less those that have been answered. */
    public function open(string $site): int
    {
        return $this->at($site)->count() - $this->away($site);
    }

    /** Messages of a site, answered or not. */
    private function at(string $site): Builder
    {
        $run = $this->plan->run->id;

        return DB::table('plan_messages as m')->where('m.run_id', $run)->when($site !== '', fn (Builder $query) => $query->whereIn(
            'm.point',
            DB::table('plan_points')->where('run_id', $run)->where('site_code', $site)->select('n'),
        ));
    }

    /** How many of a site have been put away. */
    public function away(string $site): int
    {
        return array_sum($this->putAway($site));
    }

    /**
     * How many of a site have been put away by code; from the answers, of which there are few.
     *
     * @return array<string, int>
     */
    private function putAway(string $site): array
    {
        $answers = DB::table('message_answers')
            ->where(fn (Builder $state) => $state->where('state', 'done')->orWhere('until', '>', substr($this->plan->run->plan_date, 0, 10)))
            ->get(['identity', 'facts'])->groupBy('identity');
        $counts = [];
        foreach ($answers->chunk(self::AT_ONCE) as $some) {
            foreach ($this->at($site)->whereIn('m.identity', $some->keys())->get(['m.identity', 'm.facts', 'm.code']) as $message) {
                if ($some->get($message->identity)?->contains('facts', $message->facts) === true) {
                    $counts[$message->code] = ($counts[$message->code] ?? 0) + 1;
                }
            }
        }

        return $counts;
    }

    /** @return list<MessageKind> kinds that there are, the gravest first */
    public function kinds(string $site, bool $away): array
    {
        $counts = $this->counts($site, $away);

        return array_values(array_map(
            fn (MessageCode $code) => new MessageKind($code, (string) trans("messages.kind.{$code->value}"), $counts[$code->value]),
            array_filter([
                MessageCode::Overdue, MessageCode::BringIn, MessageCode::StartPassed, MessageCode::BelowSafety,
                MessageCode::NoRoom, MessageCode::Displaced, MessageCode::NoCapacity, MessageCode::LateDemand,
                MessageCode::PushOut, MessageCode::Cancel, MessageCode::Frozen,
                MessageCode::NoSupplier, MessageCode::NoBom,
            ], fn (MessageCode $code) => isset($counts[$code->value])),
        ));
    }

    /** @return array<string, int> how many by code; the open are all less those put away, of which there are few */
    public function counts(string $site, bool $away = false): array
    {
        $put = $this->putAway($site);
        if ($away) {
            return $put;
        }
        $counts = [];
        foreach ($this->at($site)->groupBy('m.code')->selectRaw('m.code, count(*) as number')->pluck('number', 'code') as $code => $number) {
            $counts[$code] = (int) $number - ($put[$code] ?? 0);
        }

        return array_filter($counts);
    }

    /** Names of the columns that messages can be sorted by, and what they are sorted by. */
    public const SORTED = [
        'kind' => 'm.code', 'text' => 'm.text', 'from' => 'm.from_date', 'to' => 'm.to_date', 'lines' => 'm.risk_lines',
        'value' => 'm.risk_value', 'do' => 'm.code',
    ];

    /**
     * By what they put at risk, or as asked.
     *
     * @param  Builder  $query  see {@see query()}
     * @param  int  $from  place in the list
     * @param  int|null  $total  how many the query finds, where that is known
     */
    public function tasks(Builder $query, ListOrder $order, int $from = 0, int $rows = ListOrder::ROWS, ?int $total = null): MessageTasks
    {
        $total ??= (clone $query)->count();
        $page = $order->apply($query, self::SORTED)
            ->when($order->by === '', fn (Builder $query) => $query->orderByDesc('m.risk_lines')->orderByDesc('m.risk_value')
                ->orderByRaw("case m.code when 'below_safety' then 1 else 0 end"))
            ->orderBy('m.from_date')->orderBy('m.n')->offset($from)->limit($rows)->pluck('m.n')->all();
        $rows = DB::table('plan_messages as m')->where('m.run_id', $this->plan->run->id)->whereIn('m.n', $page)
            ->leftJoin('message_answers as a', fn ($join) => $join->on('a.identity', '=', 'm.identity')->on('a.facts', '=', 'm.facts'))
            ->leftJoin('users as u', 'u.id', '=', 'a.user_id')->get(['m.*', 'a.state', 'a.until', 'a.reason', 'u.name as by'])->keyBy('n');
        $found = collect($page)->map(fn ($n) => $rows[$n] ?? null)->filter();
        $this->plan->adopt($this->plan->pointsQuery()->whereIn('p.n', $found->pluck('point')->unique()->take(900)->all())->get());

        return new MessageTasks(array_values($found->map(fn (stdClass $row) => $this->task($row))->all()), $total);
    }

    private function task(stdClass $row): MessageTask
    {
        $point = $this->plan->pointOf((int) $row->point);
        $shown = $this->describe->message($row);
        $change = MessageChange::of($row->code, $row->reference, $row->to_date);

        return new MessageTask(
            n: (int) $row->n,
            code: MessageCode::from($row->code),
            kind: (string) trans("messages.kind.{$row->code}"),
            text: $row->text,
            item: $point->item,
            name: $point->name,
            site: $point->site,
            from: $this->iso($row->from_date),
            to: $this->iso($row->to_date),
            riskLines: (int) $row->risk_lines,
            riskValue: Words::money((int) $row->risk_value),
            href: $shown->href,
            applies: $change === null
                ? null
                : (string) trans(
                    "messages.apply.{$row->code}",
                    ['to' => $row->to_date === null ? '' : Words::isoDay($row->to_date, $this->plan->planDate)],
                ),
            state: $row->state,
            until: $this->iso($row->until),
            reason: (string) $row->reason,
            by: (string) $row->by,
            identity: $row->identity,
            facts: $row->facts,
        );
    }

    private function iso(?string $date): ?string
    {
        return $date === null ? null : substr($date, 0, 10);
    }
}
