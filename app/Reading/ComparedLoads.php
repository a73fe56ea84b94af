<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\Run;
use App\Reading\Shapes\ComparedLoad;
use App\Reading\Shapes\LoadFigure;
use App\Support\NumberStyle;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The weeks in which work centres are otherwise full in one plan than in another. */
final class ComparedLoads
{
    /** @return list<ComparedLoad> those first that differ most */
    public static function between(Run $before, Run $after): array
    {
        $sides = [];
        foreach ([$before, $after] as $side => $run) {
            foreach (DB::table('plan_loads')->where('run_id', $run->id)->get() as $row) {
                $sides["{$row->work_centre_code} {$row->week}"][$side] = $row;
            }
        }
        $names = DB::table('work_centres')->pluck('name', 'code');
        $rows = [];
        foreach ($sides as $side) {
            [$old, $new] = [$side[0] ?? null, $side[1] ?? null];
            $isSame = [(int) ($old->load ?? 0), (int) ($old->capacity ?? 0)] === [(int) ($new->load ?? 0), (int) ($new->capacity ?? 0)];
            if ($old !== null && $new !== null && ! $isSame) {
                $rows[] = [abs((int) $new->load - (int) $old->load), self::row($old, $new, (string) ($names[$new->work_centre_code] ?? ''))];
            }
        }
        usort($rows, fn (array $a, array $b) => [$b[0], $a[1]->centre, $a[1]->week] <=> [$a[0], $b[1]->centre, $b[1]->week]);

        return array_column($rows, 1);
    }

    private static function row(stdClass $old, stdClass $new, string $name): ComparedLoad
    {
        [$was, $is] = array_map(fn (stdClass $row) => LoadFigure::percentOf((int) $row->capacity, (int) $row->load), [$old, $new]);
        $hours = round(((int) $new->load - (int) $old->load) / 60, 1);

        return new ComparedLoad(
            centre: (string) $new->work_centre_code, name: $name, week: substr((string) $new->week, 0, 10),
            percentBefore: $was, percentAfter: $is, hoursBefore: self::hours($old), hoursAfter: self::hours($new),
            change: ($hours < 0 ? "\u{2212}" : '+').NumberStyle::now()->written(number_format(abs($hours), 1, '.', '')),
            worse: ($is ?? PHP_INT_MAX) > 100 && ($is ?? PHP_INT_MAX) > ($was ?? PHP_INT_MAX),
            better: ($was ?? PHP_INT_MAX) > 100 && ($is ?? PHP_INT_MAX) < ($was ?? PHP_INT_MAX),
        );
    }

    private static function hours(stdClass $row): string
    {
        return NumberStyle::now()->written(number_format($row->load / 60, 1, '.', ''));
    }
}
