<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\BlockedStock;
use App\Reading\Shapes\Link;
use App\Reading\Shapes\TodayLine;
use App\Reading\Shapes\Tone;
use App\Support\Stored;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Quantity\Quantity;

/** Stock that somebody has to look at: what is blocked, and what was taken beyond the books. */
final class BlockedList
{
    private const ROWS = 50;

    /** @return list<BlockedStock> */
    public static function rows(string $site): array
    {
        $rows = self::query($site)->join('items as i', 'i.code', '=', 's.item_code')->orderBy('s.item_code')->orderBy('s.site_code')->limit(self::ROWS)
            ->get(['s.*', 'i.name', 'i.unit', 'i.decimals']);
        $last = DB::table('movements')->where('blocked', true)->where('qty', '>', 0)->where('reason', '<>', '')
            ->whereIn('item_code', $rows->pluck('item_code')->all())->groupBy('item_code', 'site_code')->selectRaw('max(id) as id');
        $why = DB::table('movements')->whereIn('id', $last)->get()->keyBy(fn (stdClass $row) => "{$row->item_code}\x1f{$row->site_code}");

        return array_values($rows->map(fn (stdClass $row) => new BlockedStock(
            item: Stored::text($row->item_code), name: Stored::text($row->name), site: Stored::text($row->site_code),
            unit: Stored::text($row->unit), decimals: Stored::int($row->decimals), blocked: Quantity::format(Stored::int($row->blocked)),
            owed: Quantity::format(Stored::int($row->owed)), why: Stored::text($why->get("{$row->item_code}\x1f{$row->site_code}")->reason ?? ''),
        ))->all());
    }

    /** @return list<TodayLine> */
    public static function today(string $site): array
    {
        $count = self::query($site)->count();

        return $count === 0 ? [] : [new TodayLine(
            icon: 'short', tone: Tone::Look,
            title: trans_choice('{1} 1 stock|[2,*] :count stocks', $count, ['count' => $count]),
            emphasis: trans_choice('{1} is blocked or owed|[2,*] are blocked or owed', $count), note: '', strip: null,
            action: new Link(trans('Look'), '/movements'),
        )];
    }

    private static function query(string $site): Builder
    {
        return DB::table('stock as s')->where(fn (Builder $any) => $any->where('s.blocked', '>', 0)->orWhere('s.owed', '>', 0))
            ->when($site !== '', fn (Builder $rows) => $rows->where('s.site_code', $site));
    }
}
