<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\Link;
use App\Reading\Shapes\MovementRow;
use App\Reading\Shapes\MovementRows;
use App\Support\Stored;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;
use Yposta\Core\Study\PostingKind;

/** The ledger as a list, the newest first. */
final readonly class MovementList
{
    private const ROWS = 100;

    public function rows(MovementFilter $filter): MovementRows
    {
        $query = $this->query($filter);
        $count = $filter->before === 0 ? (clone $query)->count() : 0;
        $found = $query->when($filter->before > 0, fn (Builder $rows) => $rows->where('m.id', '<', $filter->before))
            ->leftJoin('users as u', 'u.id', '=', 'm.user_id')->leftJoin('items as i', 'i.code', '=', 'm.item_code')
            ->leftJoin('movements as c', 'c.counter_of', '=', 'm.id')->orderByDesc('m.id')->limit(self::ROWS)
            ->get(['m.*', 'u.name as by', 'i.name as item_name', 'i.unit', 'i.decimals', 'c.id as countered']);

        return new MovementRows(array_values($found->map($this->row(...))->all()), $count, $found->count() === self::ROWS);
    }

    private function query(MovementFilter $filter): Builder
    {
        return DB::table('movements as m')
            ->when($filter->kind !== null, fn (Builder $query) => $query->where('m.kind', $filter->kind?->value))
            ->when($filter->from !== null, fn (Builder $query) => $query->where('m.day', '>=', $filter->from))
            ->when($filter->to !== null, fn (Builder $query) => $query->where('m.day', '<=', $filter->to))
            ->when($filter->site !== '', fn (Builder $query) => $query->where('m.site_code', $filter->site))
            ->when($filter->item !== '', fn (Builder $query) => $query->where('m.item_code', $filter->item))
            ->when($filter->order !== '', fn (Builder $query) => $query->where('m.order_code', $filter->order))
            ->when($filter->text !== '', fn (Builder $query) => TextMatch::in($query, ['m.item_code', 'm.document', 'm.reason'], $filter->text));
    }

    private function row(stdClass $row): MovementRow
    {
        $document = Reference::tryParse(Stored::text($row->document));

        return new MovementRow(
            id: Stored::int($row->id),
            kind: PostingKind::from(Stored::text($row->kind)),
            item: Stored::text($row->item_code),
            name: Stored::text($row->item_name ?? ''),
            site: Stored::text($row->site_code),
            qty: Quantity::format(Stored::int($row->qty)),
            unit: Stored::text($row->unit ?? ''),
            decimals: Stored::int($row->decimals ?? 0),
            document: $document === null || $document->kind === ReferenceKind::Stock ? null : $this->link($document),
            reason: Stored::text($row->reason),
            day: substr(Stored::text($row->day), 0, 10),
            by: Stored::text($row->by ?? ''),
            isBlocked: (bool) $row->blocked,
            isBelowZero: (bool) $row->below_zero,
            counterOf: $row->counter_of === null ? null : Stored::int($row->counter_of),
            isCountered: $row->countered !== null,
        );
    }

    private function link(Reference $document): Link
    {
        $order = $document->orders()[0] ?? null;

        return match (true) {
            $document->kind === ReferenceKind::Sales => new Link(
                $document->name, '/demand?'.http_build_query(['q' => substr($document->name, 0, (int) strrpos($document->name, '/'))]),
            ),
            $document->kind === ReferenceKind::Job => new Link(
                $document->name, Describe::jobHref(substr($document->name, 0, (int) strrpos($document->name, '/'))),
            ),
            $order !== null => new Link($document->name, Describe::orderHref($order)),
            default => new Link($document->name, null),
        };
    }
}
