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
        $like = '%'.addcslashes(mb_strtolower(trim($text)), '%_\\').'%';
        $planDate = Day::parse(Settings::planDate());
        $day = fn (string $iso) => Words::day((new Dates)->day($iso), $planDate);
        $orders = DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->where('o.kind', '<>', 'buy')
            ->whereNotIn('o.status', ['done', 'cancelled'])->where('l.cancelled', false)
            ->where(fn ($either) => $either->whereRaw("lower(l.code) like ? escape '\\'", [$like])->orWhereRaw(
                "lower(l.item_code) like ? escape '\\'",
                [$like],
            ))->orderBy('l.due')->limit(self::EACH)->get(['l.code', 'l.item_code', 'l.due']);
        $lines = DB::table('sales_lines')->whereColumn('shipped', '<', 'qty')
            ->where(fn ($either) => $either->whereRaw("lower(order_code) like ? escape '\\'", [$like])
                ->orWhereRaw("lower(customer) like ? escape '\\'", [$like])->orWhereRaw("lower(item_code) like ? escape '\\'", [$like]))
            ->orderBy('due')->limit(self::EACH)->get();
        $items = DB::table('items as i')->join('planning_data as p', 'p.item_code', '=', 'i.code')->where('i.phantom', false)
            ->where(fn ($either) => $either->whereRaw("lower(i.code) like ? escape '\\'", [$like])->orWhereRaw(
                "lower(i.name) like ? escape '\\'",
                [$like],
            ))->orderByRaw('length(i.code)')->orderBy('i.code')->limit(self::EACH)->get(['i.code', 'i.name', 'p.site_code']);

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
