<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Spatie\Activitylog\Models\Activity;

/** The journal of changes of data: who changed what, in a sentence. A plan knows the newest change that it has seen. */
final class Journal
{
    private const LOG = 'data';

    private const NOTES = 'notes';

    /** @param  array<string, mixed>  $properties */
    public static function write(string $event, string $sentence, ?User $by, ?Model $subject = null, array $properties = []): void
    {
        $entry = activity(self::LOG)->event($event)->withProperties($properties);
        $by === null || $entry->causedBy($by);
        $subject === null || $entry->performedOn($subject);
        $entry->log($sentence);
    }

    /** Something that a person did which no plan depends on. */
    public static function note(string $event, string $sentence, User $by): void
    {
        activity(self::NOTES)->event($event)->causedBy($by)->log($sentence);
    }

    public static function newest(): int
    {
        return (int) Activity::query()->where('log_name', self::LOG)->max('id');
    }

    public static function countSince(int $change): int
    {
        return Activity::query()->where('log_name', self::LOG)->where('id', '>', $change)->count();
    }

    /** @return Collection<int, Activity> entries after one up to another, the oldest first */
    public static function between(int $from, int $to, int $most): Collection
    {
        return Activity::query()->with('causer')->where('log_name', self::LOG)->where('id', '>', $from)->where('id', '<=', $to)->orderBy('id')
            ->limit($most)->get();
    }

    /** @return Collection<int, Activity> newest first */
    public static function since(int $change, int $most): Collection
    {
        return Activity::query()->with('causer')->where('log_name', self::LOG)->where('id', '>', $change)->orderByDesc('id')->limit($most)
            ->get();
    }
}
