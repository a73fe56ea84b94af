<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\OrderLine;
use App\Models\Run;
use App\Models\User;
use App\Planning\Dates;
use App\Planning\Read\ProposalList;
use App\Planning\Read\StoredPlan;
use Illuminate\Support\Facades\DB;
use stdClass;
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
        if ($run === null) {
            return;
        }
        $dates = new Dates;
        $list = new ProposalList(new StoredPlan($run));
        foreach ($orders as $order) {
            $distance = fn (stdClass $row) => abs($dates->day($row->due) - $order->due);
            $nearest = $list->query($order->site)->where('p.item_code', $order->item)->where('s.qty', $order->qty)->get(['s.name', 's.due'])->sortBy($distance)->first();
            $line = OrderLine::query()->where('code', $order->order)->first();
            if ($line !== null && $nearest !== null && $distance($nearest) <= self::NEAR) {
                DB::table('conversions')->insert(['run_id' => $run->id, 'proposal' => (int) $nearest->name, 'order_line_id' => $line->id, 'user_id' => $by->id, 'created_at' => now()]);
            }
        }
    }
}
