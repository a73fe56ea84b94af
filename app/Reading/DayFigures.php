<?php

declare(strict_types=1);

namespace App\Reading;

use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Plan\Summary;

/** How a company stands on a day: what customers got in time, what lies in stock, what has to be hurried. */
final readonly class DayFigures
{
    /**
     * @param  int  $due  sales lines whose day has come since a first day
     * @param  int  $inTime  those of them that were shipped whole by then
     * @param  int  $stockValue  millionths of the currency
     * @param  int  $expedites  open orders that are wanted earlier or are overdue
     */
    private function __construct(public int $due, public int $inTime, public int $stockValue, public int $expedites)
    {
    }

    /**
     * @param  string  $from  ISO date
     * @param  string  $today  ISO date
     */
    public static function of(string $from, string $today, ?int $run): self
    {
        $lines = DB::table('sales_lines')->whereNull('held_until')->whereBetween('due', [$from, $today])->get(['order_code', 'line', 'qty', 'shipped', 'due']);
        $last = DB::table('movements as m')->leftJoin('movements as c', 'c.counter_of', '=', 'm.id')->where('m.kind', 'shipment')->where('m.qty', '<', 0)
            ->whereNull('c.id')->groupBy('m.document')->selectRaw('m.document, max(m.day) as day')->pluck('day', 'document');
        $inTime = $lines->filter(fn ($line) => Stored::int($line->shipped) >= Stored::int($line->qty)
            && substr(Stored::text($last->get("sales:{$line->order_code}/{$line->line}") ?? '9999'), 0, 10) <= substr(Stored::text($line->due), 0, 10));
        $value = 0;
        foreach (DB::table('stock as s')->join('items as i', 'i.code', '=', 's.item_code')->get(['s.qty', 'i.unit_cost']) as $row) {
            $value += Summary::value(Stored::int($row->qty), Stored::int($row->unit_cost));
        }
        $expedites = $run === null ? 0 : DB::table('plan_messages')->where('run_id', $run)->whereIn('code', ['bring_in', 'overdue'])->count();

        return new self($lines->count(), $inTime->count(), $value, $expedites);
    }

    public function service(): string
    {
        return $this->due === 0 ? '-' : number_format(100 * $this->inTime / $this->due, 1).' %';
    }
}
