<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\KeptRun;
use App\Models\Run;
use App\Planning\RunParameters;
use App\Planning\RunWishes;
use App\Reading\Shapes\KeptRunRow;
use App\Reading\Shapes\KeptRuns;
use App\Reading\Shapes\RunChoices;
use App\Support\Refused;
use App\Support\Settings;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Options\Options;

/** The runs kept by name, and what a run can be begun with. */
final class KeptRunList
{
    public static function all(): KeptRuns
    {
        $live = Run::live();
        $rows = [];
        foreach (KeptRun::query()->with('user')->orderBy('name')->get() as $kept) {
            $rows[] = new KeptRunRow(
                $kept->name, self::choices($kept->wishes), $kept->daily_at, $kept->trouble, (string) $kept->user?->name, $kept->version,
            );
        }
        $families = DB::table('items')->where('family', '!=', '')->distinct()->orderBy('family')->pluck('family')->map(strval(...))->all();

        return new KeptRuns(
            last: self::choices($live->wishes ?? self::older($live->parameters ?? [])), rows: $rows, families: array_values($families),
            timeZone: Settings::now()->timezoneName,
        );
    }

    /**
     * Wishes with all that they do not say as a run would take it.
     *
     * @param  array<string, mixed>  $wishes  see {@see RunWishes}
     */
    private static function choices(array $wishes): RunChoices
    {
        $options = RunParameters::of(self::options($wishes));
        $names = fn (string $key): array => array_values(array_map(Stored::text(...), (array) ($wishes[$key] ?? [])));
        $bool = fn (string $key): bool => ($options[$key] ?? false) === true;
        $whole = fn (string $key): int => Stored::int($options[$key] ?? 0);
        $list = fn (mixed $values): array => array_values(array_map(Stored::text(...), (array) $values));

        return new RunChoices(
            horizonEnd: Stored::text($options['horizonEnd']), bucket: BucketSize::from(Stored::text($options['bucket'])),
            demand: array_values(array_intersect(Options::DEMANDS, $list($options['demand']))),
            supply: array_values(array_intersect(Options::SUPPLIES, $list($options['supply']))), forecasts: $list($options['forecasts']),
            consume: $bool('consume'), consumeBackDays: $whole('consumeBackDays'), consumeForwardDays: $whole('consumeForwardDays'),
            spread: $bool('spread'), sites: $options['sites'] === null ? null : $list($options['sites']),
            soldOnly: ($wishes['soldOnly'] ?? null) === true, families: $names('families'), items: $names('items'),
            calendars: $bool('calendars'), pegByPriority: $bool('pegByPriority'), safetyStock: $bool('safetyStock'),
            bringInDays: $whole('bringInDays'), pushOutDays: $whole('pushOutDays'), schedule: $bool('schedule'), scheduleDays: $whole('scheduleDays'),
        );
    }

    /**
     * What an older run was asked for, which only knows what it was planned with.
     *
     * @param  array<string, mixed>  $parameters
     * @return array<string, mixed>
     */
    private static function older(array $parameters): array
    {
        return [...array_diff_key($parameters, ['planDate' => 1, 'items' => 1]), 'soldOnly' => ($parameters['items'] ?? null) !== null];
    }

    /** @param  array<string, mixed>  $wishes */
    private static function options(array $wishes): Options
    {
        unset($wishes['soldOnly'], $wishes['families'], $wishes['items']); // they are shown as they are
        if (isset($wishes['horizonEnd']) && $wishes['horizonEnd'] < Settings::planDate()) {
            unset($wishes['horizonEnd']);
        }
        try {
            return RunWishes::options($wishes);
        } catch (Refused) {
            return RunWishes::options([]);
        }
    }
}
