<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\ChangeRow;
use App\Support\Journal;
use Spatie\Activitylog\Models\Activity;

/** What has changed since a plan was made. */
final class ChangesSince
{
    private const MOST = 8;

    /** @return list<ChangeRow> newest first */
    public static function since(int $change): array
    {
        return array_values(Journal::since($change, self::MOST)->map(fn (Activity $change) => new ChangeRow(
            $change->description, (string) ($change->causer->name ?? ''), (string) $change->created_at?->toIso8601String(),
        ))->all());
    }
}
