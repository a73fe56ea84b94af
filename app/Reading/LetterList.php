<?php

declare(strict_types=1);

namespace App\Reading;

use App\Outgoing\LetterState;
use App\Reading\Shapes\LetterRow;
use App\Reading\Shapes\LetterRows;
use App\Reading\Shapes\Link;
use App\Support\Stored;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Letters to suppliers, the newest first. */
final readonly class LetterList
{
    private const ROWS = 100;

    /** @param  int  $before  number of a letter; only those before it; 0 for all */
    public function rows(string $state, string $text, int $before): LetterRows
    {
        $query = DB::table('letters as m')->leftJoin('suppliers as s', 's.code', '=', 'm.supplier_code')
            ->when($state !== '', fn (Builder $rows) => $rows->where('m.state', $state))
            ->when($text !== '', fn (Builder $rows) => TextMatch::in($rows, ['m.subject', 's.name', 'm.recipient', "coalesce(m.order_code, '')"], $text));
        $total = (clone $query)->count();
        $rows = $query->when($before > 0, fn (Builder $older) => $older->where('m.id', '<', $before))->leftJoin('users as u', 'u.id', '=', 'm.user_id')
            ->orderByDesc('m.id')->limit(self::ROWS)->get([
                'm.id', 'm.kind', 'm.order_code', 'm.version', 'm.recipient', 'm.subject', 'm.body', 'm.state', 'm.error', 'm.tries', 'm.created_at',
                's.name as supplier', 'u.name as by',
            ]);

        return new LetterRows(
            array_values($rows->map($this->row(...))->all()), $total, DB::table('letters')->where('state', LetterState::Failed->value)->count(),
        );
    }

    private function row(stdClass $row): LetterRow
    {
        $order = Stored::textOrNull($row->order_code);
        $version = Stored::int($row->version ?? 0);
        $name = $order.($version > 1 ? "-{$version}" : '');

        return new LetterRow(
            id: Stored::int($row->id), kind: Stored::text($row->kind), supplier: Stored::text($row->supplier ?? ''),
            order: $order === null ? null : new Link($order, '/orders/'.rawurlencode($order)), recipient: Stored::text($row->recipient),
            subject: Stored::text($row->subject), body: Stored::text($row->body),
            state: Stored::text($row->state), error: Stored::text($row->error ?? ''),
            tries: Stored::int($row->tries), by: Stored::text($row->by ?? ''), at: Stored::text($row->created_at),
            files: $version === 0 ? [] : array_map(
                fn (string $ending, int $place) => new Link("{$name}.{$ending}", "/letters/{$row->id}/files/{$place}"), ['pdf', 'xml'], [1, 2],
            ),
        );
    }
}
