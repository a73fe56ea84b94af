<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\Run;
use App\Reading\Shapes\ThreadOperation;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Minute;

/** Where the shop of a stored plan has the operations of its orders and proposals. */
final class StoredOperations
{
    /**
     * @param  list<int>  $supplies  numbers
     * @return array<int, list<ThreadOperation>> by number of the supply; what is not scheduled has none
     */
    public static function of(Run $run, array $supplies): array
    {
        $operations = [];
        foreach (DB::table('plan_operations')->where('run_id', $run->id)->whereIn('supply', $supplies)->orderBy('supply')->orderBy('op')
            ->get() as $row) {
            $start = (string) $row->start_instant;
            $operations[(int) $row->supply][] = new ThreadOperation(
                op: (int) $row->op, centre: (string) $row->work_centre_code, units: (string) $row->units, start: $start,
                end: (string) $row->end_instant, waited: max(0, Minute::parse($start) - Minute::parse((string) $row->ready_instant)),
            );
        }

        return $operations;
    }
}
