<?php

declare(strict_types=1);

namespace App\Outside;

use App\Actions\CommitChanges;
use App\Actions\CountStock;
use App\Models\User;
use App\Support\Refused;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Study\ChangeSalesLine;
use Yposta\Core\Study\CloseCentre;

/** The one thing that goes wrong on a day: a machine, a count, a customer in a hurry, a supplier who is late after all. */
final readonly class Mishap
{
    private const HURRY_DAYS = 5;

    public function __construct(private CommitChanges $commit, private CountStock $count)
    {
    }

    /** @return list<string> what it was, in words */
    public function day(int $today, Dice $chance): array
    {
        try {
            return match ($chance->between(1, 4)) {
                1 => $this->down($today, $chance),
                2 => $this->counted($chance),
                3 => $this->hurry($today, $chance),
                default => $this->later($today, $chance),
            };
        } catch (Refused) {
            return []; // it does not fit, as where the line is shipped meanwhile: a day without trouble
        }
    }

    /** @return list<string> */
    private function down(int $today, Dice $chance): array
    {
        $centres = array_values(DB::table('work_centres')->orderBy('code')->pluck('code')->map(Stored::text(...))->all());
        $day = Day::format($today + 1);

        return $centres === [] ? [] : ($this->commit)(
            [[new CloseCentre($chance->oneOf($centres), "{$day} 00:00", "{$day} 23:59", 1, 'breakdown')]], [], User::role('scheduler')->firstOrFail(),
        )['sentences'];
    }

    /** @return list<string> */
    private function counted(Dice $chance): array
    {
        $rows = DB::table('stock as s')->join('items as i', 'i.code', '=', 's.item_code')->where('s.qty', '>=', 20 * Quantity::ONE)
            ->orderBy('s.item_code')->orderBy('s.site_code')->get(['s.item_code', 's.site_code', 's.qty'])->all();
        if ($rows === []) {
            return [];
        }
        $row = $chance->oneOf(array_values($rows));
        $there = Stored::int($row->qty);

        return [Stored::text(($this->count)([[
            'item' => Stored::text($row->item_code), 'site' => Stored::text($row->site_code), 'books' => $there,
            'qty' => $there - $chance->between(1, 3) * Quantity::ONE,
        ]], null, (string) trans('cycle count'), Key::fresh(), User::role('stores')->firstOrFail())['message'])];
    }

    /** @return list<string> */
    private function hurry(int $today, Dice $chance): array
    {
        $rows = DB::table('sales_lines')->where('shipped', 0)->whereNull('held_until')->where('due', '>', Day::format($today + 2 * self::HURRY_DAYS))
            ->orderBy('order_code')->orderBy('line')->get(['order_code', 'line', 'due'])->all();
        if ($rows === []) {
            return [];
        }
        $row = $chance->oneOf(array_values($rows));
        $due = Day::parse(substr(Stored::text($row->due), 0, 10)) - self::HURRY_DAYS;

        return ($this->commit)(
            [[new ChangeSalesLine(Stored::text($row->order_code), Stored::text($row->line), due: $due)]], [], User::role('sales')->firstOrFail(),
        )['sentences'];
    }

    /** @return list<string> a supplier says that something comes later than he had confirmed */
    private function later(int $today, Dice $chance): array
    {
        $rows = DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->where('o.kind', 'buy')->where('o.status', 'released')
            ->where('l.cancelled', false)->whereColumn('l.received', '<', 'l.qty')->whereNotNull('l.confirmed_due')
            ->where('l.confirmed_due', '>', Day::format($today))->orderBy('l.code')->get(['l.id', 'l.code', 'l.confirmed_due'])->all();
        if ($rows === []) {
            return [];
        }
        $row = $chance->oneOf(array_values($rows));
        $due = Day::format(Day::parse(substr(Stored::text($row->confirmed_due), 0, 10)) + $chance->between(2, 9));
        DB::table('order_lines')->where('id', $row->id)->update(['confirmed_due' => $due, 'confirmed_at' => now()]);

        return [(string) trans(':order comes later after all', ['order' => Stored::text($row->code)])];
    }
}
