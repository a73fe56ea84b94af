<?php

declare(strict_types=1);

namespace App\Planning\Read;

use App\Planning\Shapes\MissingRow;
use Illuminate\Support\Facades\DB;

/** Material that is missed on the floor and has not been dealt with, the newest first. */
final class MissingList
{
    /** @return list<MissingRow> */
    public static function open(): array
    {
        return array_values(DB::table('missing_materials as m')->join('items as i', 'i.code', '=', 'm.item_code')->join('users as u', 'u.id', '=', 'm.user_id')->whereNull('m.dealt_at')->orderByDesc('m.id')
            ->get(['m.*', 'i.name as item_name', 'u.name as by_name'])
            ->map(fn ($row) => new MissingRow((int) $row->id, $row->order_code, $row->line, $row->item_code, $row->item_name, substr((string) $row->until, 0, 10), $row->note, $row->by_name, (string) $row->created_at))->all());
    }
}
