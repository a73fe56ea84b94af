<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\ChangeRow;
use Illuminate\Database\Eloquent\Collection;
use Spatie\Activitylog\Models\Activity;

/** What has changed since a plan was made. */
final class ChangesSince
{
    private const MOST = 8;

    /**
     * @param  Collection<int, Activity>  $entries  newest first
     * @return list<ChangeRow>
     */
    public static function told(Collection $entries): array
    {
        return array_values($entries->take(self::MOST)->map(fn (Activity $change) => new ChangeRow(
            $change->description, (string) ($change->causer->name ?? ''), (string) $change->created_at?->toIso8601String(),
        ))->all());
    }
}
