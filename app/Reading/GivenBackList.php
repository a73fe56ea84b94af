<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\GivenBack;
use App\Support\Stored;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Requests that purchasing gave back lately and that nobody has asked for anew. */
final class GivenBackList
{
    private const DAYS = 14;

    private const ROWS = 50;

    /** @return list<GivenBack> the newest first */
    public static function rows(?string $item = null, ?string $site = null): array
    {
        $rows = DB::table('purchase_requests as r')->leftJoin('users as u', 'u.id', '=', 'r.handled_by')->whereNotNull('r.returned_at')
            ->where('r.returned_at', '>=', now()->subDays(self::DAYS))
            ->whereNotExists(fn (Builder $newer) => $newer->from('purchase_requests as n')->whereColumn('n.item_code', 'r.item_code')
                ->whereColumn('n.site_code', 'r.site_code')->whereColumn('n.id', '>', 'r.id'))
            ->when($item !== null, fn (Builder $of) => $of->where('r.item_code', $item)->where('r.site_code', $site))
            ->orderByDesc('r.id')->limit(self::ROWS)->get(['r.line_code', 'r.item_code', 'r.site_code', 'r.reason', 'r.returned_at', 'u.name as by']);

        return array_values($rows->map(fn (stdClass $row) => new GivenBack(
            Stored::text($row->line_code), Stored::text($row->item_code), Stored::text($row->site_code), Stored::text($row->reason),
            Stored::text($row->by ?? ''), Stored::text($row->returned_at),
        ))->all());
    }
}
