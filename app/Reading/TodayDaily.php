<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\KeptRun;
use App\Models\Run;
use App\Reading\Shapes\DailyRun;
use App\Support\Settings;

/** What the run that begins by itself each day has changed, all day long, also when somebody has run the plan since. */
final class TodayDaily
{
    /** Figures that are told; all of them stand beside it as long as it is the live plan. */
    private const TOLD = ['lateLines', 'short', 'startPassed', 'proposals'];

    /** Null where none is to begin by itself, or its time has not come yet. */
    public static function run(): ?DailyRun
    {
        $kept = KeptRun::daily();
        if ($kept === null) {
            return null;
        }
        if ($kept->trouble !== null) {
            return new DailyRun($kept->name, null, $kept->trouble, true);
        }
        $midnight = Settings::now()->startOfDay()->utc();
        $run = Run::query()->whereNull('study_id')->whereNull('user_id')->whereNotNull('kept_run')
            ->whereIn('status', ['done', 'failed'])->where('finished_at', '>=', $midnight)->orderByDesc('id')->first();
        if ($run === null) {
            return null;
        }
        $at = $run->finished_at?->toIso8601String();
        if ($run->status === 'failed') {
            return new DailyRun((string) $run->kept_run, $at, (string) $run->trouble, true);
        }
        $changed = [];
        foreach (Figures::of($run, Figures::before($run)) as $figure) {
            if (in_array($figure->name, self::TOLD, true) && preg_match('/^[+\x{2212}]/u', (string) $figure->change) === 1) {
                $changed[] = "{$figure->label} {$figure->value} ({$figure->change})";
            }
        }

        $said = $changed === [] ? (string) trans('As many are late, short and proposed as before.') : implode(', ', $changed);

        return new DailyRun((string) $run->kept_run, $at, $said, false);
    }
}
