<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\Run;
use App\Planning\Dates;
use App\Support\PhraseJson;
use App\Support\Words;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Comparison\LateEntry;
use Yposta\Core\Comparison\MessageEntry;
use Yposta\Core\Comparison\PlanContent;
use Yposta\Core\Comparison\ProposalEntry;
use Yposta\Core\Network\Network;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;

/** Brings back of a stored plan what it is compared by. */
final class StoredContent
{
    public static function of(Run $run): PlanContent
    {
        $dates = new Dates;
        $proposals = $messages = $late = $stock = [];
        foreach (self::with($run, 'plan_supplies')->where('t.kind', 'proposal')->orderBy('t.n')->cursor() as $row) {
            $proposals[] = new ProposalEntry(
                kind: $row->type,
                item: $row->item_code,
                site: $row->site_code,
                supplier: $row->supplier_code,
                qty: (int) $row->qty,
                start: $dates->day($row->start),
                due: $dates->day($row->due),
                expected: $dates->day($row->available),
            );
        }
        foreach (self::with($run, 'plan_messages')->orderBy('t.n')->cursor() as $row) {
            $about = Reference::parse($row->reference)->kind === ReferenceKind::Proposal ? 'proposal' : $row->reference;
            $messages[] = new MessageEntry(
                code: $row->code,
                about: $about,
                item: $row->item_code,
                site: $row->site_code,
                from: $dates->dayOrNull($row->from_date),
                to: $dates->dayOrNull($row->to_date),
                qty: (int) $row->qty,
            );
        }
        foreach (self::with($run, 'plan_demands')->whereIn('t.kind', StoredPlan::ORDERED)->where('t.late_days', '>', 0)->orderBy('t.n')
            ->cursor() as $row) {
            $late[] = new LateEntry(
                order: $row->name,
                line: $row->line,
                customer: $row->customer,
                item: $row->item_code,
                site: $row->site_code,
                qty: (int) $row->qty,
                due: $dates->day($row->date),
                expected: $dates->day($row->expected),
                why: $row->hold_up === null ? '' : Words::say(PhraseJson::read($row->hold_up), $dates->day($run->plan_date)),
            );
        }
        foreach (DB::table('plan_points')->where('run_id', $run->id)->where('stock_value', '>', 0)
            ->get(['item_code', 'site_code', 'stock_value']) as $row) {
            $stock[Network::key($row->item_code, $row->site_code)] = (int) $row->stock_value;
        }

        $needed = array_map(intval(...), (array) ($run->summary['needed'] ?? []));

        return new PlanContent($proposals, $messages, $late, $stock, self::figures($run), $needed);
    }

    /** @return array<string, int> totals by name */
    private static function figures(Run $run): array
    {
        $figures = [];
        foreach (array_keys(Figures::labels()) as $name) {
            $value = $run->summary[$name] ?? 0;
            $figures[$name] = is_array($value) ? (int) array_sum($value) : (int) $value;
        }

        return $figures;
    }

    private static function with(Run $run, string $table): Builder
    {
        return DB::table("{$table} as t")->join(
            'plan_points as p',
            fn ($join) => $join->on('p.run_id', '=', 't.run_id')->on('p.n', '=', 't.point'),
        )
            ->where('t.run_id', $run->id)->select(['t.*', 'p.item_code', 'p.site_code']);
    }
}
