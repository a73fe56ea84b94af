<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\User;
use App\Support\Journal;
use App\Support\Refused;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use Spatie\Activitylog\Models\Activity;
use stdClass;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\PutRows;

/** What was written between two plans, step by step, from the journal. */
final class DataSteps
{
    /** More are not gone through. */
    public const MOST = 60;

    /** Changes of one commit that are tried by themselves. */
    private const APART = 8;

    /**
     * @param  int  $from  the newest entry that the plan before has seen
     * @param  int  $to  that the plan has seen
     * @return list<DataStep> the oldest first
     *
     * @throws Refused when there are too many, or all data were brought in between
     */
    public static function between(int $from, int $to): array
    {
        $steps = [];
        foreach (Journal::between($from, $to, self::MOST + 1) as $entry) {
            $by = $entry->causer;
            $at = (string) $entry->created_at?->toIso8601String();
            foreach (self::parts($entry) as [$text, $changes]) {
                $steps[] = new DataStep($text, $by instanceof User ? $by->name : '', $at, $changes);
            }
        }
        count($steps) <= self::MOST || throw Refused::because('why.too_many', ['most' => self::MOST], 'many');

        return $steps;
    }

    /**
     * What an entry tells, change by change where few were written together and each is said by itself.
     *
     * @return list<array{string, non-empty-list<Change>}>
     *
     * @throws Refused
     */
    private static function parts(Activity $entry): array
    {
        $changes = self::changes($entry);
        if ($changes === []) {
            return [];
        }
        $said = $entry->event === 'commit'
            ? DB::table('commits')->where('id', Stored::int($entry->getExtraProperty('commit')))->value('sentences')
            : null;
        $sentences = $said === null ? [] : array_values((array) json_decode(Stored::text($said), true, 512, JSON_THROW_ON_ERROR));
        if (count($sentences) !== count($changes) || count($changes) > self::APART) {
            return [[$entry->description, $changes]];
        }

        return array_map(fn (mixed $sentence, Change $change) => [Stored::text($sentence), [$change]], $sentences, $changes);
    }

    /**
     * @return list<Change>
     *
     * @throws Refused
     */
    private static function changes(Activity $entry): array
    {
        return match ($entry->event) {
            'commit' => self::ofCommit($entry, 'changes'),
            'undo' => self::ofCommit($entry, 'inverse'),
            'forecast' => self::ofForecast($entry),
            'import' => throw Refused::because('why.imported', [], 'import'),
            default => [],
        };
    }

    /**
     * @param  'changes'|'inverse'  $which
     * @return list<Change>
     */
    private static function ofCommit(Activity $entry, string $which): array
    {
        $kept = DB::table('commits')->where('id', Stored::int($entry->getExtraProperty('commit')))->value($which);

        $fields = $kept === null ? [] : (array) json_decode(Stored::text($kept), true, 512, JSON_THROW_ON_ERROR);

        return array_values(array_map(fn (mixed $one) => ChangeCodec::decode((array) $one), $fields));
    }

    /** @return list<Change> */
    private static function ofForecast(Activity $entry): array
    {
        $cell = DB::table('forecast_buckets')->where('id', (int) $entry->subject_id)->first();
        if (! $cell instanceof stdClass) {
            return [];
        }
        $row = TableMap::of(ForecastBucket::class)->object($cell);

        return [new PutRows(ForecastBucket::class, [$row->with(qty: Stored::int($entry->getExtraProperty('to')))])];
    }
}
