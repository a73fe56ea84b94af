<?php

declare(strict_types=1);

namespace App\Reading;

use App\Support\NumberStyle;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;

/** How punctual a supplier was: what came by the day that was promised, and how late the rest. What was taken back is left out. */
final readonly class Punctuality
{
    /** The last so many receipts say how he is now. */
    private const LAST = 50;

    private function __construct(public int $receipts, public int $inTime, public int $daysLate)
    {
    }

    /**
     * @param  list<string>  $suppliers  codes
     * @return array<string, self> of those that have ever sent something, by code
     */
    public static function of(array $suppliers): array
    {
        $found = [];
        foreach ($suppliers as $supplier) {
            $rows = DB::table('movements as m')->join('order_lines as l', 'l.code', '=', 'm.order_code')->join('orders as o', 'o.id', '=', 'l.order_id')
                ->leftJoin('movements as c', 'c.counter_of', '=', 'm.id')->where('o.supplier_code', $supplier)->where('o.kind', 'buy')
                ->where('m.kind', 'receipt')->where('m.qty', '>', 0)->whereNull('c.id')->orderByDesc('m.id')->limit(self::LAST)->get(['m.day', 'l.due']);
            $late = $rows->map(fn ($row) => max(0, self::day($row->day) - self::day($row->due)));
            $late->isEmpty() || $found[$supplier] = new self(
                $late->count(), $late->filter(fn (int $days) => $days === 0)->count(), Stored::int($late->sum()),
            );
        }

        return $found;
    }

    public function said(): string
    {
        $share = ['in' => $this->inTime, 'all' => $this->receipts];

        return (string) ($this->inTime === $this->receipts
            ? trans('all of :all in time', $share)
            : trans(':in of :all in time, else :days days late on average', [
                ...$share, 'days' => NumberStyle::now()->written(
                    rtrim(rtrim(number_format($this->daysLate / ($this->receipts - $this->inTime), 1, '.', ''), '0'), '.'),
                ),
            ]));
    }

    private static function day(mixed $date): int
    {
        return Day::parse(substr(Stored::text($date), 0, 10));
    }
}
