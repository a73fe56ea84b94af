<?php

declare(strict_types=1);

namespace App\Planning;

use Illuminate\Support\Facades\DB;
use Yposta\Core\Study\Change;

/** What was done to each record, under its name; see {@see RowFingerprints}. Call within the transaction of the commit. */
final class History
{
    private const ROWS_AT_ONCE = 400;

    /**
     * @param  list<Change>  $changes  as they were written
     * @param  list<string>  $sentences  one for each of them, or one for all
     */
    public static function keep(int $commit, array $changes, array $sentences): void
    {
        $said = [];
        foreach ($changes as $place => $change) {
            foreach (RowFingerprints::names($change) as $name) {
                $sentence = count($sentences) === count($changes) ? $sentences[$place] : $sentences[0];
                $said[$name][$sentence] = true;
            }
        }
        $rows = [];
        foreach ($said as $name => $own) {
            $rows[] = ['commit_id' => $commit, 'reference' => (string) $name, 'sentence' => implode('; ', array_keys($own))];
        }
        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            DB::table('commit_references')->insert($chunk);
        }
    }
}
