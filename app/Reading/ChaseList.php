<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\ChaseReason;
use App\Reading\Shapes\ChaseRow;
use App\Support\Stored;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\Quantity;

/** What suppliers owe that somebody should ask about: late, confirmed otherwise, not confirmed, due within a week. */
final readonly class ChaseList
{
    /** Days in which a line is due soon. */
    private const SOON = 7;

    public const ROWS = 500;

    /** @param  int  $today  day number */
    public function __construct(private int $today)
    {
    }

    /**
     * By supplier, what is due first at the top.
     *
     * @return array{list<ChaseRow>, int} and how many there are in all
     */
    public function rows(string $site, ?ChaseReason $reason, string $text): array
    {
        $query = $this->query($reason)->when($site !== '', fn (Builder $rows) => $rows->where('o.site_code', $site))
            ->when($text !== '', fn (Builder $rows) => TextMatch::in($rows, ['o.code', 'l.item_code', 's.name', 'l.code'], $text));

        return [$this->read((clone $query)->orderBy('s.name')->orderBy('l.due')->orderBy('l.code')->limit(self::ROWS)), $query->count()];
    }

    /** @return array<string, int> how many there are for each reason */
    public function counts(string $site): array
    {
        $counts = [];
        foreach (ChaseReason::cases() as $reason) {
            $counts[$reason->value] = $this->count($site, $reason);
        }

        return $counts;
    }

    public function count(string $site, ChaseReason $reason): int
    {
        return $this->query($reason)->when($site !== '', fn (Builder $rows) => $rows->where('o.site_code', $site))->count();
    }

    /**
     * @param  list<string>  $codes  of lines
     * @return list<ChaseRow>
     */
    public function of(array $codes): array
    {
        return $this->read($this->query(null)->whereIn('l.code', $codes)->orderBy('s.name')->orderBy('l.due')->orderBy('l.code'));
    }

    private function query(?ChaseReason $reason): Builder
    {
        $query = DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->join('suppliers as s', 's.code', '=', 'o.supplier_code')
            ->where('o.kind', 'buy')->where('o.status', 'released')->where('l.cancelled', false)->whereColumn('l.received', '<', 'l.qty');

        return $query->where(fn (Builder $any) => array_map(
            fn (ChaseReason $one) => $any->orWhere(fn (Builder $rows) => $this->where($rows, $one)),
            $reason === null ? ChaseReason::cases() : [$reason],
        ));
    }

    private function where(Builder $rows, ChaseReason $reason): Builder
    {
        return match ($reason) {
            ChaseReason::Late => $rows->where('l.due', '<', Day::format($this->today)),
            ChaseReason::Otherwise => $rows->whereNotNull('l.confirmed_at')->where(fn (Builder $other) => $other
                ->whereColumn('l.confirmed_due', '<>', 'l.due')->orWhereColumn('l.confirmed_qty', '<>', 'l.qty')),
            ChaseReason::NotConfirmed => $rows->whereNull('l.confirmed_at'),
            ChaseReason::Soon => $rows->whereBetween('l.due', [Day::format($this->today), Day::format($this->today + self::SOON - 1)]),
        };
    }

    /** @return list<ChaseRow> */
    private function read(Builder $query): array
    {
        $rows = $query->join('items as i', 'i.code', '=', 'l.item_code')
            ->leftJoin('supplier_items as x', fn ($join) => $join->on('x.item_code', '=', 'l.item_code')->on('x.supplier_code', '=', 'o.supplier_code'))
            ->get([
                'l.*', 'o.code as order_code', 'o.supplier_code', 's.name as supplier', 's.email', 'i.name as item_name', 'i.unit', 'i.decimals',
                'x.their_code',
            ]);
        $chased = DB::table('letters')->where('kind', 'chase')->whereIn('supplier_code', $rows->pluck('supplier_code')->unique()->all())
            ->groupBy('supplier_code')->selectRaw('supplier_code, max(created_at) as day')->pluck('day', 'supplier_code');

        return array_values($rows->map(fn (stdClass $row) => $this->row($row, $chased->get($row->supplier_code)))->all());
    }

    private function row(stdClass $row, mixed $chased): ChaseRow
    {
        $due = substr(Stored::text($row->due), 0, 10);
        $confirmed = $row->confirmed_due === null ? null : substr(Stored::text($row->confirmed_due), 0, 10);
        $day = Day::parse($due);
        $open = Stored::int($row->qty) - Stored::int($row->received);
        $otherwise = $confirmed !== null && ($confirmed !== $due || Stored::int($row->confirmed_qty) !== Stored::int($row->qty));

        return new ChaseRow(
            code: Stored::text($row->code), order: Stored::text($row->order_code), number: Stored::int($row->number),
            supplierCode: Stored::text($row->supplier_code), supplier: Stored::text($row->supplier), item: Stored::text($row->item_code),
            theirs: Stored::text($row->their_code ?? ''), name: Stored::text($row->item_name),
            qty: Quantity::format(Stored::int($row->qty)), open: Quantity::format($open), millionths: $open,
            unit: Stored::text($row->unit), decimals: Stored::int($row->decimals), due: $due, daysLate: max(0, $this->today - $day),
            confirmedDue: $confirmed, confirmedQty: $confirmed === null ? null : Quantity::format(Stored::int($row->confirmed_qty)),
            reasons: array_values(array_filter([
                $day < $this->today ? ChaseReason::Late : null, $otherwise ? ChaseReason::Otherwise : null,
                $confirmed === null ? ChaseReason::NotConfirmed : null,
                $day >= $this->today && $day < $this->today + self::SOON ? ChaseReason::Soon : null,
            ])),
            hasMail: Stored::text($row->email), chased: is_string($chased) ? substr($chased, 0, 10) : null,
        );
    }
}
