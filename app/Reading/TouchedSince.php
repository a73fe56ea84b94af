<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\RowFingerprints;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Spatie\Activitylog\Models\Activity;
use Yposta\Core\Network\Network;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;

/**
 * What was changed since a plan was made, so that what it says of it is from before: orders and sales lines by their reference, and
 * the points, by their key, that they or anything else of the change stand at.
 */
final class TouchedSince
{
    /** Changes to be looked at; where there are more, the plan is so old that the chip says enough. */
    public const MOST = 200;

    private const AT_ONCE = 400;

    /**
     * @param  Collection<int, Activity>  $entries  newest first
     * @return list<string> references, and keys of points
     */
    public static function references(Collection $entries): array
    {
        if ($entries->isEmpty()) {
            return [];
        }
        $names = self::ofCommits($entries->filter(fn (Activity $entry) => in_array($entry->event, ['commit', 'undo'], true))->all());
        $cells = $entries->filter(fn (Activity $entry) => $entry->event === 'forecast')->map(fn (Activity $entry) => (int) $entry->subject_id);
        foreach (DB::table('forecast_buckets')->whereIntegerInRaw('id', $cells->all())->get(['item_code', 'site_code']) as $cell) {
            $names[Network::key($cell->item_code, $cell->site_code)] = true;
        }
        self::addPoints($names);

        // what rows are about is no reference: their points are
        return array_values(array_filter(
            array_map(strval(...), array_keys($names)), fn (string $name) => RowFingerprints::record($name) === null,
        ));
    }

    /**
     * What was committed since and undone again is as it was.
     *
     * @param  array<Activity>  $entries
     * @return array<string, true> by reference
     */
    private static function ofCommits(array $entries): array
    {
        $events = [];
        foreach ($entries as $entry) {
            $events[(int) $entry->getExtraProperty('commit')][$entry->event] = true;
        }
        $commits = array_keys(array_filter($events, fn (array $seen) => count($seen) === 1));
        $names = [];
        foreach (DB::table('commits')->whereIntegerInRaw('id', $commits)->pluck('touched') as $touched) {
            foreach (array_keys((array) json_decode((string) $touched, true)) as $name) {
                $point = RowFingerprints::planningPoint((string) $name);
                $names[$point === null ? (string) $name : Network::key(...$point)] = true;
                foreach (self::stockPoints((string) $name) as [$item, $site]) {
                    $names[Network::key($item, $site)] = true;
                }
            }
        }

        return $names;
    }

    /** @return list<array{string, string}> the point, or the points, that a reference of a stock may mean */
    private static function stockPoints(string $name): array
    {
        $reference = Reference::tryParse($name);

        return $reference?->kind === ReferenceKind::Stock ? $reference->parts() : [];
    }

    /** @param  array<string, true>  $names  by reference; gains the points of orders and sales lines */
    private static function addPoints(array &$names): void
    {
        $orders = $sales = $jobs = $items = [];
        foreach (array_keys($names) as $name) {
            $record = RowFingerprints::record((string) $name);
            $record === null || $items[] = $record[1];
            $reference = Reference::tryParse((string) $name);
            match ($reference?->kind) {
                ReferenceKind::Order => $orders[] = $reference->name,
                ReferenceKind::Sales => $sales[] = $reference->name,
                ReferenceKind::Job => $jobs[] = $reference->name,
                default => null,
            };
        }
        foreach (array_chunk($orders, self::AT_ONCE) as $chunk) {
            $found = DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->whereIn('l.code', $chunk)
                ->get(['l.item_code', 'o.site_code', 'o.code']);
            foreach ($found as $line) {
                $names[Network::key($line->item_code, $line->site_code)] = true;
                $names[(string) Reference::order($line->code)] = true;
            }
        }
        foreach (array_chunk($items, self::AT_ONCE) as $chunk) { // where what the rows are about is no item, nothing is found
            foreach (DB::table('planning_data')->whereIn('item_code', $chunk)->get(['item_code', 'site_code']) as $point) {
                $names[Network::key($point->item_code, $point->site_code)] = true;
            }
        }
        foreach (array_chunk($jobs, self::AT_ONCE) as $chunk) {
            $found = DB::table('job_lines')->whereIn(DB::raw("job_code || '/' || line"), $chunk)->whereNotNull('item_code')->get(['item_code', 'site_code']);
            foreach ($found as $line) {
                $names[Network::key($line->item_code, $line->site_code)] = true;
            }
        }
        foreach (array_chunk($sales, self::AT_ONCE) as $chunk) {
            $found = DB::table('sales_lines')->whereIn(DB::raw("order_code || '/' || line"), $chunk)->get(['item_code', 'site_code']);
            foreach ($found as $line) {
                $names[Network::key($line->item_code, $line->site_code)] = true;
            }
        }
    }
}
