<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\OrderLine;
use App\Models\Run;
use App\Models\User;
use App\Planning\Dates;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Study\PutOrder;

/**
 * Takes the proposals of the live plan that new orders stand for off its list, so that nobody converts them a second time before the
 * next run: of the same item and site and the same quantity, the nearest by date.
 */
final readonly class TakeProposals
{
    /** A proposal whose date is further away, in calendar days, is another one. */
    private const NEAR = 31;

    /** @param  list<PutOrder>  $orders  that have been written */
    public function take(array $orders, User $by): void
    {
        $run = Run::live();
        $dates = new Dates;
        foreach ($run === null ? [] : $orders as $order) {
            $line = OrderLine::query()->where('code', $order->order)->whereNull('proposal')->first();
            $open = DB::table('plan_supplies as s')->join('plan_points as p', fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'))
                ->leftJoin('conversions as c', fn ($join) => $join->on('c.run_id', '=', 's.run_id')->whereRaw('c.proposal = cast(s.name as integer)'))
                ->where('s.run_id', $run?->id)->where('s.kind', 'proposal')->whereNull('c.proposal')->where('p.item_code', $order->item)->where('p.site_code', $order->site)->where('s.qty', $order->qty)->get(['s.name', 's.due']);
            $nearest = $open->sortBy(fn ($row) => abs($dates->day($row->due) - $order->due))->first();
            if ($line === null || $run === null || $nearest === null || abs($dates->day($nearest->due) - $order->due) > self::NEAR) {
                continue;
            }
            DB::table('conversions')->insert(['run_id' => $run->id, 'proposal' => (int) $nearest->name, 'order_line_id' => $line->id, 'user_id' => $by->id, 'created_at' => now()]);
        }
    }
}
