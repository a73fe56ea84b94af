<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\MissingRow;
use Illuminate\Support\Facades\DB;

/** Material that is missed on the floor and has not been dealt with, the newest first. */
final class MissingList
{
    /** @return list<MissingRow> */
    public static function open(): array
    {
        return array_values(DB::table('missing_materials as m')->join('items as i', 'i.code', '=', 'm.item_code')
            ->join('users as u', 'u.id', '=', 'm.user_id')->whereNull('m.dealt_at')->orderByDesc('m.id')
            ->get(['m.*', 'i.name as item_name', 'u.name as by_name'])
            ->map(fn ($row) => new MissingRow(
                id: (int) $row->id,
                order: $row->order_code,
                line: $row->line,
                item: $row->item_code,
                name: $row->item_name,
                until: substr((string) $row->until, 0, 10),
                note: $row->note,
                by: $row->by_name,
                at: (string) $row->created_at,
            ))->all());
    }
}
