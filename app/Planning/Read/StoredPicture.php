<?php

declare(strict_types=1);

namespace App\Planning\Read;

use App\Models\Run;
use App\Planning\Dates;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Comparison\LateFact;
use Yposta\Core\Comparison\MessageFact;
use Yposta\Core\Comparison\Picture;
use Yposta\Core\Comparison\ProposalFact;
use Yposta\Core\Network\Network;

/** Brings back of a stored plan what it is compared by. */
final class StoredPicture
{
    private const FIGURES = ['lateLines', 'lateDays', 'short', 'startPassed', 'proposals', 'messages', 'stockValue'];

    public static function of(Run $run): Picture
    {
        $dates = new Dates;
        $proposals = $messages = $late = $stock = [];
        foreach (self::with($run, 'plan_supplies')->where('t.kind', 'proposal')->orderBy('t.n')->cursor() as $row) {
            $proposals[] = new ProposalFact($row->type, $row->item_code, $row->site_code, $row->supplier_code, (int) $row->qty, $dates->day($row->start), $dates->day($row->due), $dates->day($row->available));
        }
        foreach (self::with($run, 'plan_messages')->orderBy('t.n')->cursor() as $row) {
            $about = str_starts_with($row->reference, 'proposal:') ? 'proposal' : $row->reference;
            $messages[] = new MessageFact($row->code, $about, $row->item_code, $row->site_code, $dates->dayOrNull($row->from_date), $dates->dayOrNull($row->to_date), (int) $row->qty);
        }
        foreach (self::with($run, 'plan_demands')->where('t.kind', 'sales')->where('t.late_days', '>', 0)->orderBy('t.n')->cursor() as $row) {
            $late[] = new LateFact($row->name, $row->line, $row->customer, $row->item_code, $row->site_code, (int) $row->qty, $dates->day($row->date), $dates->day($row->expected), (string) $row->hold_up);
        }
        foreach (DB::table('plan_points')->where('run_id', $run->id)->where('stock_value', '>', 0)->get(['item_code', 'site_code', 'stock_value']) as $row) {
            $stock[Network::key($row->item_code, $row->site_code)] = (int) $row->stock_value;
        }

        return new Picture($proposals, $messages, $late, $stock, self::figures($run));
    }

    /** @return array<string, int> totals by name */
    private static function figures(Run $run): array
    {
        $figures = [];
        foreach (self::FIGURES as $name) {
            $value = $run->summary[$name] ?? 0;
            $figures[$name] = is_array($value) ? (int) array_sum($value) : (int) $value;
        }

        return $figures;
    }

    private static function with(Run $run, string $table): Builder
    {
        return DB::table("{$table} as t")->join('plan_points as p', fn ($join) => $join->on('p.run_id', '=', 't.run_id')->on('p.n', '=', 't.point'))
            ->where('t.run_id', $run->id)->select(['t.*', 'p.item_code', 'p.site_code']);
    }
}
