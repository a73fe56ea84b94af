<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\User;
use App\Support\Stored;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Proposals that somebody has put off until a day. One rests in every plan before that day in which the same is proposed for the same day,
 * in no larger quantity; what is wanted earlier, or more of it, comes back. Changes no plan.
 */
final class PutOffs
{
    private const ROWS_AT_ONCE = 400;

    /** Finds in a run what is put off; what older plans had of it is forgotten. */
    public static function carry(int $run, string $planDate): void
    {
        DB::table('resting_proposals')->delete();
        $rows = DB::table('put_offs as f')
            ->join('plan_points as p', fn (JoinClause $join) => $join->on('p.item_code', '=', 'f.item_code')->on('p.site_code', '=', 'f.site_code'))
            ->join('plan_supplies as s', fn (JoinClause $join) => $join->on('s.run_id', '=', 'p.run_id')->on('s.point', '=', 'p.n')
                ->on('s.type', '=', 'f.kind')->on('s.due', '=', 'f.due')->on('s.qty', '<=', 'f.qty'))
            ->where('p.run_id', $run)->where('s.kind', 'proposal')->whereNull('f.withdrawn_at')->where('f.until', '>', $planDate)
            ->orderBy('f.id')->orderBy('s.n')->get(['f.id', 's.name']);
        $resting = $placed = [];
        foreach ($rows as $row) {
            [$number, $putOff] = [Stored::int($row->name), Stored::int($row->id)];
            if (! isset($resting[$number]) && ! isset($placed[$putOff])) {
                $placed[$putOff] = true;
                $resting[$number] = ['run_id' => $run, 'proposal' => $number, 'put_off_id' => $putOff];
            }
        }
        foreach (array_chunk(array_values($resting), self::ROWS_AT_ONCE) as $chunk) {
            DB::table('resting_proposals')->insert($chunk);
        }
    }

    /** The proposals of a run that rest, as they are called there. */
    public static function names(int $run): Builder
    {
        return DB::table('resting_proposals')->where('run_id', $run)->selectRaw('cast(proposal as varchar(20))');
    }

    /**
     * Lets proposals of a run rest.
     *
     * @param  Collection<int, stdClass>  $proposals  name, type, item_code, site_code, qty, due
     * @param  string  $until  ISO date on which they come back
     */
    public static function rest(int $run, Collection $proposals, string $until, string $reason, User $by): void
    {
        foreach ($proposals as $row) {
            $id = DB::table('put_offs')->insertGetId([
                'item_code' => $row->item_code, 'site_code' => $row->site_code, 'kind' => $row->type, 'due' => $row->due, 'qty' => $row->qty,
                'until' => $until, 'reason' => $reason, 'user_id' => $by->id, 'created_at' => now(),
            ]);
            DB::table('resting_proposals')->insert(['run_id' => $run, 'proposal' => Stored::int($row->name), 'put_off_id' => $id]);
        }
    }

    /**
     * Takes up again what rests in a run.
     *
     * @param  list<int>  $numbers
     */
    public static function wake(int $run, array $numbers): void
    {
        $resting = DB::table('resting_proposals')->where('run_id', $run)->whereIn('proposal', $numbers);
        DB::table('put_offs')->whereIn('id', (clone $resting)->select('put_off_id'))->update(['withdrawn_at' => now()]);
        $resting->delete();
    }
}
