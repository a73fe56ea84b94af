<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\CountRow;
use App\Reading\Shapes\CountSheetRows;
use App\Support\Refused;
use App\Support\Stored;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Plan\Summary;
use Yposta\Core\Quantity\InvalidQuantity;
use Yposta\Core\Quantity\Quantity;

/** A list of what was counted at a site, line by line an item and its quantity, beside what the books say. Writes nothing. */
final class CountSheet
{
    public const MOST = 500;

    /**
     * @param  string  $text  lines of item and quantity, apart by a tab, semicolon, comma or spaces
     *
     * @throws Refused when there is nothing in it, or more than is booked at once
     */
    public static function of(string $site, string $text): CountSheetRows
    {
        DB::table('sites')->where('code', $site)->exists() || throw Refused::because('count.no_site', ['site' => $site], 'site');
        $lines = array_filter(array_map(trim(...), explode("\n", str_replace("\r", '', $text))), fn (string $line) => $line !== '');
        $lines !== [] || throw Refused::because('count.nothing', [], 'empty');
        count($lines) <= self::MOST || throw Refused::because('count.too_many', ['most' => self::MOST], 'too_many');
        $typed = array_map(self::parts(...), $lines);
        $items = DB::table('items')->whereIn('code', array_column($typed, 0))->get()->keyBy('code');
        $books = DB::table('stock')->where('site_code', $site)->whereIn('item_code', array_column($typed, 0))->pluck('qty', 'item_code');
        $rows = $seen = [];
        foreach ($typed as $place => [$item, $qty]) {
            $rows[] = self::row($place + 1, $item, $qty, $items->get($item), Stored::int($books->get($item) ?? 0), isset($seen[$item]));
            $seen[$item] = true;
        }
        $differ = array_filter($rows, fn (CountRow $row) => $row->trouble !== null || $row->difference !== '0');
        $rank = fn (CountRow $row) => [$row->trouble !== null, abs((int) $row->value)];
        usort($differ, fn (CountRow $a, CountRow $b) => $rank($b) <=> $rank($a));
        $agree = count($rows) - count($differ);

        return new CountSheetRows($differ, $agree, trans_choice('{0} none is as the books say|{1} 1 is as the books say|[2,*] :count are as the books say', $agree));
    }

    /** @return array{string, string} item and quantity */
    private static function parts(string $line): array
    {
        $parts = preg_split('/\s*[\t;,]\s*|\s+(?=\S+$)/', $line, 2) ?: [$line];

        return [$parts[0], trim($parts[1] ?? '')];
    }

    private static function row(int $line, string $code, string $typed, ?stdClass $item, int $books, bool $isAgain): CountRow
    {
        if ($item === null) {
            $gone = (string) trans('There is no such item.');

            return new CountRow(
                line: $line, item: $code, name: '', unit: '', decimals: 0, qty: null, books: null, difference: null, value: null,
                trouble: $gone,
            );
        }
        $trouble = $qty = null;
        try {
            $qty = Quantity::parse($typed);
            $trouble = match (true) {
                $isAgain => (string) trans('It stands further up already.'),
                $qty < 0 => (string) trans('Nothing can be counted below 0.'),
                ! Quantity::fits($qty, Stored::int($item->decimals)) => (string) trans('It has more decimals than the item.'),
                default => null,
            };
        } catch (InvalidQuantity $wrong) {
            $trouble = Words::say($wrong->phrase());
        }
        $difference = $qty === null ? null : $qty - $books;
        $worth = $difference === null ? null : Summary::value(abs($difference), Stored::int($item->unit_cost));

        return new CountRow(
            line: $line, item: $code, name: Stored::text($item->name), unit: Stored::text($item->unit),
            decimals: Stored::int($item->decimals),
            qty: $qty === null ? null : Quantity::format($qty), books: Quantity::format($books),
            difference: $difference === null ? null : Quantity::format($difference),
            value: $worth === null ? null : (string) ($difference < 0 ? -$worth : $worth), trouble: $trouble,
        );
    }
}
