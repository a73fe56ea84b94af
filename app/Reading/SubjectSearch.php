<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\Dates;
use App\Reading\Shapes\Subject;
use App\Support\Settings;
use App\Support\Words;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Reference\Reference;

/** Finds what availability can be asked of. */
final readonly class SubjectSearch
{
    private const EACH = 6;

    private const COLUMNS = ['i.code', 'i.name', 'i.unit', 'i.decimals', 'p.site_code'];

    /**
     * @param  bool  $itemsOnly  whether orders and sales lines are left out
     * @return list<Subject> items at sites, then open orders and sales lines
     */
    public static function find(string $text, bool $itemsOnly = false): array
    {
        $planDate = Day::parse(Settings::planDate());
        $day = fn (string $iso) => Words::day((new Dates)->day($iso), $planDate);
        $found = array_values(TextMatch::in(self::items(), ['i.code', 'i.name'], $text)->orderByRaw('length(i.code)')->orderBy('i.code')
            ->limit(self::EACH)->get(self::COLUMNS)->map(self::ofItem(...))->all());
        if ($itemsOnly) {
            return $found;
        }
        $orders = DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->where('o.kind', '<>', 'buy')
            ->whereNotIn('o.status', ['done', 'cancelled'])->where('l.cancelled', false);
        $orders = TextMatch::in($orders, ['l.code', 'l.item_code'], $text)->orderBy('l.due')->limit(self::EACH)
            ->get(['l.code', 'l.item_code', 'l.due']);
        $lines = TextMatch::in(DB::table('sales_lines')->whereColumn('shipped', '<', 'qty'), ['order_code', 'customer', 'item_code'], $text)
            ->orderBy('due')->limit(self::EACH)->get();

        return [
            ...$found,
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

    /** An item at a site; null when it is not planned there. */
    public static function item(string $item, string $site): ?Subject
    {
        $row = $item === '' ? null : self::items()->where('i.code', $item)->where('p.site_code', $site)->first(self::COLUMNS);

        return $row === null ? null : self::ofItem($row);
    }

    private static function items(): Builder
    {
        return DB::table('items as i')->join('planning_data as p', 'p.item_code', '=', 'i.code')->where('i.phantom', false);
    }

    private static function ofItem(stdClass $row): Subject
    {
        return new Subject(
            of: (string) Reference::stock($row->code, $row->site_code), label: $row->code, note: "{$row->name}, {$row->site_code}",
            item: $row->code, site: $row->site_code, unit: $row->unit, decimals: (int) $row->decimals,
        );
    }
}
