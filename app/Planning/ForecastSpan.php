<?php

declare(strict_types=1);

namespace App\Planning;

use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\ForecastName;

/** The periods of a forecast: which are shown, in which figures are typed, and what they are kept in. */
final readonly class ForecastSpan
{
    /** Periods before today's, and from it on. */
    private const SHOWN = ['day' => [28, 56], 'week' => [13, 52], 'month' => [12, 24]];

    /** @param  int  $today  the plan date */
    public function __construct(public ?ForecastName $heading, public int $today)
    {
    }

    /** What is known of a forecast; null where it only has figures. */
    public static function heading(string $forecast): ?ForecastName
    {
        $row = DB::table('forecast_names')->where('code', $forecast)->first();

        return $row === null ? null : TableMap::of(ForecastName::class)->object($row);
    }

    /** What most figures of a forecast are kept in. */
    public static function kept(string $forecast): BucketSize
    {
        $most = DB::table('forecast_buckets')->where('forecast', $forecast)->groupBy('bucket')->orderByRaw('count(*) desc')->orderBy('bucket')
            ->limit(1)->value('bucket');

        return BucketSize::tryFrom(Stored::text($most ?? '')) ?? BucketSize::Week;
    }

    /** Whether figures are typed in a period: not once it has passed, nor outside of the days that its forecast speaks of. */
    public function isOpen(int $start, BucketSize $size): bool
    {
        $end = $size->endOf($start);

        return $end >= $this->today && ($this->heading === null || $this->heading->covers($start, $end));
    }

    /** @return non-empty-list<int> first days of the periods shown, from some before today's on */
    public function starts(BucketSize $size): array
    {
        [$past, $ahead] = self::SHOWN[$size->value];
        $start = $size->startOf($this->today);
        for ($ago = 0; $ago < $past; $ago++) {
            $start = $size->startOf($start - 1);
        }
        $starts = [$start];
        while (count($starts) < $past + $ahead) {
            $starts[] = $start = $size->endOf($start) + 1;
        }

        return $starts;
    }
}
