<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\Order;
use App\Reading\Shapes\OpenLine;
use App\Reading\Shapes\OrderList;
use App\Reading\Shapes\OrderRow;
use App\Reading\Shapes\OrderState;
use App\Reading\Shapes\PurchaseStage;
use App\Support\Settings;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Run\MessageCode;

/** Orders as a list, with what the live plan says of each. */
final readonly class OrderIndex
{
    /** Orders looked up in one query. */
    private const AT_ONCE = 900;

    public function __construct(private ?StoredPlan $plan)
    {
    }

    /** Names of the columns that orders can be sorted by, and what they are sorted by. */
    public const SORTED = [
        'order' => 'o.code', 'kind' => 'o.kind', 'state' => 'o.status', 'what' => 'min(l.item_code)', 'site' => 'o.site_code',
        'qty' => 'sum(case when l.cancelled then 0 else l.qty - l.received end)', 'due' => 'min(l.due)', 'says' => self::SAYS,
    ];

    /** What the plan says of an order: that a line is overdue, where it says several things. */
    private const SAYS = 'min(m.code)';

    /**
     * Open ones first, by due date, or as asked.
     *
     * @param  int  $from  place in the list
     */
    public function list(OrderFilter $filter, ListOrder $order, int $from = 0, int $rows = ListOrder::ROWS): OrderList
    {
        $query = $this->query($filter);
        $today = Settings::planDate();
        $total = (clone $query)->distinct()->count('o.id');
        $late = (clone $query)->whereNotIn('o.status', ['done', 'cancelled'])->where('l.due', '<', $today)->distinct()->count('o.id');
        // First which, then what there is to say of them, so that nothing is looked up for all.
        $order->by === 'says' && $query->leftJoinSub($this->said(), 'm', 'm.order_id', '=', 'o.id');
        $filter->by === 'supplier' && $filter->text === '' && $query->leftJoin('suppliers as s', 's.code', '=', 'o.supplier_code');
        $query->groupBy('o.id', 'o.code', 'o.kind', 'o.status', 'o.site_code');
        $filter->by === 'supplier' ? $query->groupBy('s.name')->orderByRaw("coalesce(s.name, '')") : null;
        $filter->by === 'site' && $query->orderBy('o.site_code');
        $filter->by === 'state' && $query->orderByRaw("case o.status when 'firm' then 0 when 'released' then 1 when 'done' then 2 else 3 end");
        $page = $order->apply($query, self::SORTED)
            ->orderByRaw("case o.status when 'done' then 1 when 'cancelled' then 2 else 0 end")->orderByRaw('min(l.due)')->orderBy('o.code')
            ->offset($from)->limit($rows)->pluck('o.id')->all();
        $found = [];
        foreach (array_chunk($page, self::AT_ONCE) as $ids) {
            $found += DB::table('orders as o')->join('order_lines as l', 'l.order_id', '=', 'o.id')->whereIn('o.id', $ids)
                ->join('items as i', 'i.code', '=', 'l.item_code')->leftJoin('suppliers as s', 's.code', '=', 'o.supplier_code')
                ->leftJoinSub($this->said($ids), 'm', 'm.order_id', '=', 'o.id')
                ->groupBy('o.id', 'o.code', 'o.kind', 'o.status', 'o.site_code', 'o.is_request', 'o.version', 's.name', 'o.created_by', 'o.created_at')
                ->selectRaw('o.id, o.code, o.kind, o.status, o.site_code, s.name as supplier, count(*) as line_count, min(l.due) as due, min(l.item_code) as item, min(i.name) as name, min(i.unit) as unit, sum(case when l.cancelled then 0 else l.qty - l.received end) as left_qty, min(l.run_id) as run_id, max(case when l.hold then 1 else 0 end) as held, min(l.not_before) as not_before, min(l.finish_by) as finish_by, o.is_request, o.version, max(case when l.cancelled then 0 else l.received end) as came, min(case when l.cancelled or l.confirmed_at is not null then 1 else 0 end) as confirmed, '.self::SAYS.' as message')
                ->get()->keyBy('id')->all();
        }

        $open = $this->open($page);

        return new OrderList(array_values(array_map(
            fn ($id) => $this->row($found[$id], Day::parse($today), $filter->by, $open[$id] ?? []), $page,
        )), $total, $late);
    }

    /**
     * @param  array<mixed>  $orders  ids
     * @return array<int, list<OpenLine>> by order
     */
    private function open(array $orders): array
    {
        $open = [];
        foreach (array_chunk($orders, self::AT_ONCE) as $ids) {
            $lines = DB::table('order_lines')->whereIn('order_id', $ids)->where('cancelled', false)->whereColumn('received', '<', 'qty')->orderBy('number')
                ->get(['order_id', 'code', 'qty', 'received', 'due']);
            foreach ($lines as $line) {
                $open[(int) $line->order_id][] = new OpenLine(
                    $line->code, Quantity::format((int) $line->qty), Quantity::format((int) $line->received), substr($line->due, 0, 10),
                );
            }
        }

        return $open;
    }

    /** What a row stands under, in words. */
    private function group(stdClass $row, string $by): string
    {
        $due = substr($row->due, 0, 10);

        return match ($by) {
            'supplier' => (string) ($row->supplier ?? trans('made here or moved')),
            'site' => $row->site_code,
            'state' => $row->status,
            'week' => Day::format(Day::weekStart(Day::parse($due))),
            default => '',
        };
    }

    /** @param  list<OpenLine>  $open */
    private function row(stdClass $row, int $today, string $by, array $open): OrderRow
    {
        $isSingle = (int) $row->line_count === 1;

        return new OrderRow(
            reference: (string) Reference::order($row->code),
            code: $row->code,
            kind: OrderKind::from($row->kind),
            status: OrderState::from($row->status),
            site: $row->site_code,
            supplier: $row->supplier,
            what: $isSingle ? "{$row->item} {$row->name}" : trans(':count items', ['count' => $row->line_count]),
            lines: (int) $row->line_count,
            qty: $isSingle ? Quantity::format(max(0, (int) $row->left_qty)) : null,
            unit: $row->unit,
            due: substr($row->due, 0, 10),
            daysLate: in_array($row->status, ['done', 'cancelled'], true) ? 0 : max(0, $today - Day::parse(substr($row->due, 0, 10))),
            message: $row->message === null ? null : MessageCode::from($row->message),
            made: $row->run_id === null ? null : (string) trans('from run :run', ['run' => $row->run_id]),
            held: (int) $row->held === 1,
            notBefore: $row->not_before === null ? null : substr($row->not_before, 0, 10),
            finishBy: $row->finish_by === null ? null : substr($row->finish_by, 0, 10),
            stage: $row->kind !== 'buy'
                ? null
                : PurchaseStage::of($row->status, (bool) $row->is_request, (int) $row->came > 0, (int) $row->confirmed === 1),
            version: (int) $row->version,
            group: $this->group($row, $by),
            open: $open,
        );
    }

    /**
     * What the plan says of each order, by its id; of all from the messages, of which there are fewer than lines.
     *
     * @param  list<int>|null  $orders  ids; null for all
     */
    private function said(?array $orders = null): Builder
    {
        $behindKind = DB::raw('substr(pm.reference, 7)'); // behind "order:"
        $query = $orders === null
            ? DB::table('plan_messages as pm')->join('order_lines as pl', 'pl.code', '=', $behindKind)
            : DB::table('order_lines as pl')->join('plan_messages as pm', 'pm.reference', '=', DB::raw("'order:' || pl.code"))
                ->whereIn('pl.order_id', $orders);

        return $query->where('pm.run_id', $this->plan->run->id ?? 0)->whereIn('pm.code', ['bring_in', 'push_out', 'cancel', 'overdue'])
            ->groupBy('pl.order_id')
            ->selectRaw("pl.order_id, case when max(case pm.code when 'overdue' then 1 else 0 end) = 1 then 'overdue' else max(pm.code) end as code");
    }

    /** Lines of orders. */
    private function query(OrderFilter $filter): Builder
    {
        return DB::table('orders as o')->join('order_lines as l', 'l.order_id', '=', 'o.id')
            ->when($filter->withMessage, fn (Builder $query) => $query->whereIn('o.id', DB::query()->fromSub($this->said(), 'with')->select('order_id')))
            ->when($filter->late, fn (Builder $query) => $query->whereNotIn('o.status', ['done', 'cancelled'])->where('l.due', '<', Settings::planDate())
                ->whereColumn('l.received', '<', 'l.qty')->where('l.cancelled', false))
            ->when($filter->kind !== '', fn (Builder $query) => $query->where('o.kind', $filter->kind))
            ->when($filter->site !== '', fn (Builder $query) => $query->where('o.site_code', $filter->site))
            ->when($filter->status === 'open', fn (Builder $query) => $query->whereNotIn('o.status', ['done', 'cancelled']))
            ->when($filter->status === 'request', fn (Builder $query) => $query->where('o.is_request', true)->where('o.status', 'firm'))
            ->when($filter->status === 'firm', fn (Builder $query) => $query->where('o.is_request', false))
            ->when($filter->status === 'unconfirmed', fn (Builder $query) => $query->where('o.kind', 'buy')->where('o.status', 'released')
                ->whereExists(fn (Builder $line) => $line->from('order_lines as u')->whereColumn('u.order_id', 'o.id')->where('u.cancelled', false)
                    ->whereNull('u.confirmed_at')))
            ->when(in_array(
                $filter->status,
                ['firm', 'released', 'done', 'cancelled'],
                true,
            ), fn (Builder $query) => $query->where('o.status', $filter->status))
            ->when($filter->text !== '', fn (Builder $query) => TextMatch::in(
                $query->leftJoin('suppliers as s', 's.code', '=', 'o.supplier_code'), ['o.code', 'l.code', 'l.item_code', 's.name'], $filter->text,
            ));
    }
}
