<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\User;
use App\Reading\Shapes\HistoryRow;
use App\Support\Stored;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Who did what to a record, and when. */
final class RecordHistory
{
    private const ROWS = 40;

    /**
     * @param  list<string>  $references  names of the record, see {@see \App\Planning\RowFingerprints}
     * @return list<HistoryRow> the newest first
     */
    public static function of(array $references, User $looks): array
    {
        $rows = DB::table('commit_references as r')->join('commits as c', 'c.id', '=', 'r.commit_id')->join('users as u', 'u.id', '=', 'c.user_id')
            ->whereIn('r.reference', $references)->orderByDesc('c.id')->orderBy('r.id')->limit(self::ROWS)
            ->get(['c.id', 'c.user_id', 'c.created_at', 'c.undone_at', 'u.name', 'r.sentence']);
        $last = $rows->first(fn (stdClass $row) => $row->undone_at === null);

        return array_values($rows->map(fn (stdClass $row) => new HistoryRow(
            at: Carbon::parse(Stored::text($row->created_at))->toIso8601String(), by: Stored::text($row->name),
            sentence: Stored::text($row->sentence),
            undoes: $row === $last && Stored::int($row->user_id) === $looks->id ? Stored::int($row->id) : null,
            isUndone: $row->undone_at !== null,
        ))->all());
    }
}
