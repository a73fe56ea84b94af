<?php

declare(strict_types=1);

namespace App\Reading;

use App\Support\Settings;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\Quantity;

/** What was said of orders on the floor: material that is missing, and what was noted with reports. */
final class WorkRemarks
{
    private const MOST = 400;

    /** @return array<string, list<string>> by code of the order, the newest first */
    public static function all(): array
    {
        $planDate = Day::parse(Settings::planDate());
        $remarks = [];
        foreach (DB::table('missing_materials')->whereNull('dealt_at')->orderByDesc('id')->limit(self::MOST)->get() as $row) {
            $remarks[$row->order_code][] = (string) trans(':item missing until :day', [
                'item' => $row->item_code, 'day' => Words::isoDay($row->until, $planDate),
            ]);
        }
        foreach (DB::table('work_reports')->orderByDesc('id')->limit(self::MOST)->get() as $row) {
            (int) $row->scrap === 0 || $remarks[$row->order_code][] = (string) trans(':qty scrapped: :reason', [
                'qty' => Quantity::format((int) $row->scrap), 'reason' => $row->reason,
            ]);
            $row->note === '' || $remarks[$row->order_code][] = $row->note;
        }

        return $remarks;
    }
}
