<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\Dates;
use App\Reading\Shapes\Subject;
use App\Support\Settings;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Reference\Reference;

/** Finds what availability can be asked of. */
final readonly class SubjectSearch
{
    private const EACH = 6;

    /** @return list<Subject> open orders and sales lines, then items at sites */
    public static function find(string $text): array
    {
        $planDate = Day::parse(Settings::planDate());
        $day = fn (string $iso) => Words::day((new Dates)->day($iso), $planDate);
        $orders = DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->where('o.kind', '<>', 'buy')
            ->whereNotIn('o.status', ['done', 'cancelled'])->where('l.cancelled', false);
        $orders = TextMatch::in($orders, ['l.code', 'l.item_code'], $text)->orderBy('l.due')->limit(self::EACH)
            ->get(['l.code', 'l.item_code', 'l.due']);
        $lines = TextMatch::in(DB::table('sales_lines')->whereColumn('shipped', '<', 'qty'), ['order_code', 'customer', 'item_code'], $text)
            ->orderBy('due')->limit(self::EACH)->get();
        $items = DB::table('items as i')->join('planning_data as p', 'p.item_code', '=', 'i.code')->where('i.phantom', false);
        $items = TextMatch::in($items, ['i.code', 'i.name'], $text)->orderByRaw('length(i.code)')->orderBy('i.code')->limit(self::EACH)
            ->get(['i.code', 'i.name', 'p.site_code']);

        return [
            ...array_values($items->map(fn ($row) => new Subject(
                (string) Reference::stock($row->code, $row->site_code),
                $row->code,
                "{$row->name}, {$row->site_code}",
            ))->all()),
            ...array_values($orders->map(fn ($row) => new Subject(
                (string) Reference::order($row->code),
                $row->code,
                "{$row->item_code}, ".$day($row->due),
            ))->all()),
            ...array_values($lines->map(fn ($row) => new Subject(
                (string) Reference::sales($row->order_code, $row->line),
                Reference::sales($row->order_code, $row->line)->name,
                "{$row->item_code}, {$row->customer}, ".$day($row->due),
            ))->all()),
        ];
    }
}
