<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\JournalRow;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Spatie\Activitylog\Models\Activity;

/** The journal, newest first. */
final class JournalList
{
    public const MOST = 200;

    /** @return Builder<Activity> entries in which a text stands; all for none */
    public static function query(string $text): Builder
    {
        return Activity::query()->when($text !== '', function (Builder $query) use ($text): void {
            TextMatch::in($query->getQuery(), ['description'], $text);
        });
    }

    /** @return list<JournalRow> */
    public static function of(string $text): array
    {
        $entries = self::query($text)->with('causer')->orderByDesc('id')->limit(self::MOST)->get();
        $commits = DB::table('commits')->whereIn(
            'id',
            $entries->map(fn (Activity $entry) => $entry->event === 'commit' ? (int) $entry->getExtraProperty('commit') : 0)->filter()
                ->all(),
        )->get()->keyBy('id');

        return array_values($entries->map(function (Activity $entry) use ($commits): JournalRow {
            $commit = $entry->event === 'commit' ? $commits->get((int) $entry->getExtraProperty('commit')) : null;
            $parts = $commit === null
                ? []
                : array_map(strval(...), array_values((array) json_decode($commit->sentences, true, 512, JSON_THROW_ON_ERROR)));

            return new JournalRow(
                id: $entry->id,
                at: (string) $entry->created_at?->toIso8601String(),
                by: (string) ($entry->causer->name ?? trans('the system')),
                sentence: count($parts) > 1
                    ? (string) trans(':count changes committed', ['count' => count($parts)])
                    : (string) $entry->description,
                parts: count($parts) > 1 ? $parts : [],
                commit: $commit === null || str_contains((string) $commit->inverse, '"change":"release_order"') ? null : (int) $commit->id,
                undone: $commit !== null && $commit->undone_at !== null,
            );
        })->all());
    }
}
