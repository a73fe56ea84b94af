<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\StockDay;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\Quantity;

/** The stock of an item at a site as it really was, from the ledger. */
final class StockHistory
{
    /** Days that it goes back. */
    private const DAYS = 42;

    /**
     * The days on which it changed, and what there was before the first of them.
     *
     * @param  int  $today  day number; what is booked on later days is left out
     * @return list<StockDay> ascending; none where nothing has moved before today
     */
    public static function of(string $item, string $site, int $today): array
    {
        $from = $today - self::DAYS;
        $own = fn () => DB::table('movements')->where('item_code', $item)->where('site_code', $site)->where('blocked', false);
        $stock = Stored::int($own()->where('day', '<', Day::format($from))->sum('qty'));
        $sums = $own()->where('day', '>=', Day::format($from))->where('day', '<=', Day::format($today))->groupBy('day')->orderBy('day')
            ->get(['day', DB::raw('sum(qty) as qty')]);
        $days = [new StockDay(Day::format($from), Quantity::format($stock))];
        $isBefore = $stock !== 0;
        foreach ($sums as $row) {
            $day = substr(Stored::text($row->day), 0, 10);
            $stock += Stored::int($row->qty);
            $isBefore = $isBefore || $day < Day::format($today);
            $day === $days[0]->date && $days = [];
            $days[] = new StockDay($day, Quantity::format($stock));
        }

        return $isBefore ? $days : [];
    }
}
