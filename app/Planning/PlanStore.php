<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Run;
use App\Support\PhraseJson;
use App\Support\SqliteConnection;
use App\Support\Stored;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\Amounts;
use Yposta\Core\Plan\Causes;
use Yposta\Core\Plan\MessageIdentity;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\PlanPhrases;
use Yposta\Core\Plan\PurchaseValue;
use Yposta\Core\Plan\Risk;
use Yposta\Core\Plan\StockValue;
use Yposta\Core\Plan\Summary;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Scheduling\Load;
use Yposta\Core\Scheduling\ShopPlan;
use Yposta\Core\Structure\Outline;

/** Puts a plan into the tables in one transaction; that of a live run becomes the live one at its end. */
final class PlanStore
{
    private const ROWS_AT_ONCE = 250;

    private readonly Dates $dates;

    /** @var array<int, int> number of a supply or demand by object id */
    private array $numbers = [];

    public function __construct()
    {
        $this->dates = new Dates;
    }

    /** Others write between the pieces of it; the plan before stays the live one until all is there. */
    public function store(Run $run, Plan $plan): void
    {
        $this->number($plan);
        $this->points($run->id, $plan);
        $this->supplies($run->id, $plan);
        $this->operations($run->id, $plan);
        $this->demands($run->id, $plan);
        $this->pegs($run->id, $plan);
        $this->messages($run->id, $plan);
        $over = $this->loads($run->id, $plan);
        DB::transaction(function () use ($run, $plan, $over): void {
            $live = $run->study_id === null;
            $live && Run::query()->where('current', true)->update(['current' => false]);
            $run->update([
                'status' => 'done', 'stage' => null, 'current' => $live, 'stored' => true, 'finished_at' => now(),
                'summary' => [...get_object_vars(Summary::of($plan)), ...get_object_vars(Amounts::of($plan)), 'overHours' => $over],
            ]);
            $this->retireOldRuns($run);
            $live && PutOffs::carry($run->id, $run->plan_date);
        });
        $this->forgetRest();
        if (DB::connection() instanceof SqliteConnection) { // so that it finds its ways by how much there is; PostgreSQL does so by itself
            DB::unprepared('pragma analysis_limit = 1000; analyze');
        }
    }

    private function number(Plan $plan): void
    {
        $n = 0;
        foreach ($plan->supplies as $supplies) {
            foreach ($supplies as $supply) {
                $this->numbers[spl_object_id($supply)] = $n++;
            }
        }
        $n = 0;
        foreach ($plan->demands as $demands) {
            foreach ($demands as $demand) {
                $this->numbers[spl_object_id($demand)] = $n++;
            }
        }
    }

    private function points(int $run, Plan $plan): void
    {
        $places = (new Outline($plan->structure))->places();
        $from = $worst = [];
        foreach ($plan->messages() as $message) {
            if ($message->code === MessageCode::BelowSafety) {
                $from[$message->point] = min($from[$message->point] ?? PHP_INT_MAX, (int) $message->from);
                $worst[$message->point] = max($worst[$message->point] ?? 0, $message->qty);
            }
        }
        $values = StockValue::byPoint($plan);
        $insert = new BulkInsert(
            'plan_points',
            [
                'run_id', 'n', 'item_code', 'site_code', 'level', 'place', 'supply', 'supplier_code', 'rules', 'trouble_from',
                'short_from', 'worst', 'stock_value',
            ],
            self::ROWS_AT_ONCE,
        );
        foreach ($plan->structure->points as $index => $point) {
            if (isset($plan->supplies[$index]) || isset($plan->demands[$index])) {
                $insert->add([
                    $run, $index, $point->item->code, $point->site->code, $point->level, $places[$index], $point->supply()->value,
                    $point->supplier, json_encode(PointRules::of($point), JSON_THROW_ON_ERROR),
                    $this->dates->isoOrNull($from[$index] ?? null), $this->dates->isoOrNull($plan->shortFrom[$index] ?? null),
                    $worst[$index] ?? 0, $values[$index] ?? 0,
                ]);
            }
        }
        $insert->finish();
    }

    private function supplies(int $run, Plan $plan): void
    {
        $causes = new Causes($plan);
        $insert = new BulkInsert('plan_supplies', [
            'run_id', 'n', 'point', 'kind', 'type', 'name', 'rank', 'qty', 'start', 'due', 'effective', 'available', 'earliest', 'priority',
            'pinned', 'released', 'overdue',
            'brought_in', 'supplier_code', 'from_site_code', 'waits_for', 'reason', 'for_sales', 'for_forecast', 'cost', 'heading',
        ], self::ROWS_AT_ONCE);
        $costs = PurchaseValue::ofNetwork($plan->network);
        foreach ($plan->supplies as $index => $supplies) {
            [$item, $site] = [$plan->structure->points[$index]->item, $plan->structure->points[$index]->site->code];
            foreach ($supplies as $supply) {
                $reason = $supply->reason;
                [$sales, $forecast] = $causes->of($supply);
                $insert->add([
                    $run, $this->numbers[spl_object_id($supply)], $index, $supply->kind->value, $supply->type?->value, $supply->name,
                    $supply->rank, $supply->qty,
                    $this->dates->iso($supply->start), $this->dates->iso($supply->due), $this->dates->iso($supply->effective),
                    $this->dates->iso($supply->available),
                    $this->dates->iso($supply->earliest), $supply->priority, (int) $supply->pinned, (int) $supply->released,
                    (int) $supply->overdue, (int) $supply->broughtIn,
                    $supply->supplier, $supply->fromSite,
                    $supply->waitsFor === null ? null : $this->numbers[spl_object_id($supply->waitsFor)],
                    $reason === null ? null : json_encode(array_values(get_object_vars($reason)), JSON_THROW_ON_ERROR),
                    $sales, $forecast,
                    $supply->isProposal() && $supply->type === OrderKind::Buy
                        ? $costs->of($supply->qty, $item->code, $supply->supplier, $item->unitCost)
                        : null,
                    $supply->isProposal()
                        ? ProposalHeading::of($supply->type, $supply->supplier, $supply->fromSite, $site)->key()
                        : null,
                ]);
            }
        }
        $insert->finish();
    }

    /** How full work centres are by week, minutes; gives the hours in which they have more to do than they can. */
    private function loads(int $run, Plan $plan): int
    {
        $load = new Load($plan, ShopPlan::shop($plan), BucketSize::Week);
        $insert = new BulkInsert(
            'plan_loads', ['run_id', 'work_centre_code', 'week', 'capacity', 'load', 'sales', 'forecast'], self::ROWS_AT_ONCE,
        );
        foreach ($load->cells as $centre => $cells) {
            foreach ($cells as $place => $cell) {
                $insert->add([
                    $run, (string) $centre, $this->dates->iso($load->periods[$place][0]), $cell->capacity, (int) round($cell->load),
                    (int) round($cell->sales), (int) round($cell->forecast),
                ]);
            }
        }
        $insert->finish();

        return $load->hoursOver();
    }

    /** Where the shop has the operations of what is in its schedule. */
    private function operations(int $run, Plan $plan): void
    {
        $insert = new BulkInsert('plan_operations', [
            'run_id', 'supply', 'op', 'work_centre_code', 'units', 'ready_instant', 'start_instant', 'end_instant', 'minutes',
        ], self::ROWS_AT_ONCE);
        foreach ($plan->supplies as $supplies) {
            foreach ($supplies as $supply) {
                foreach ($plan->inShop($supply) as $place) {
                    $insert->add([
                        $run, $this->numbers[spl_object_id($supply)], $place->op, $place->workCentre, implode(';', $place->units),
                        Minute::format($place->ready), Minute::format($place->start), Minute::format($place->end), $place->minutes,
                    ]);
                }
            }
        }
        $insert->finish();
    }

    private function demands(int $run, Plan $plan): void
    {
        $phrases = new PlanPhrases($plan->structure);
        $insert = new BulkInsert('plan_demands', [
            'run_id', 'n', 'point', 'kind', 'name', 'line', 'rank', 'qty', 'date', 'need', 'original_date', 'expected', 'uncovered',
            'late_days', 'priority', 'for_supply', 'customer',
            'hold_up', 'hold_up_reason', 'hold_up_supply',
        ], self::ROWS_AT_ONCE);
        $whys = []; // by the supply in which a delay begins, which many wait for
        foreach ($plan->demands as $index => $demands) {
            foreach ($demands as $demand) {
                $holdUp = $plan->holdUp($demand);
                $why = $holdUp === null ? null : $whys[spl_object_id($holdUp->supply)] ??= PhraseJson::write($phrases->holdUp($holdUp));
                $insert->add([
                    $run, $this->numbers[spl_object_id($demand)], $index, $demand->kind->value, $demand->name, $demand->line, $demand->rank,
                    $demand->qty,
                    $this->dates->isoOrNull($demand->date), $this->dates->isoOrNull($demand->need),
                    $this->dates->isoOrNull($demand->originalDate),
                    $this->dates->isoOrNull($demand->expected), $demand->uncovered, $demand->lateDays(), $demand->priority,
                    $demand->for === null ? null : $this->numbers[spl_object_id($demand->for)], $demand->customer,
                    $why, $holdUp?->reason->value,
                    $holdUp === null ? null : $this->numbers[spl_object_id($holdUp->supply)],
                ]);
            }
        }
        $insert->finish();
    }

    private function pegs(int $run, Plan $plan): void
    {
        $insert = new BulkInsert('plan_pegs', ['run_id', 'supply', 'demand', 'qty'], self::ROWS_AT_ONCE);
        foreach ($plan->pegs() as $peg) {
            $insert->add([$run, $this->numbers[spl_object_id($peg->supply)], $this->numbers[spl_object_id($peg->demand)], $peg->qty]);
        }
        $insert->finish();
    }

    private function messages(int $run, Plan $plan): void
    {
        $phrases = new PlanPhrases($plan->structure, $plan->demands);
        $insert = new BulkInsert(
            'plan_messages',
            [
                'run_id', 'n', 'point', 'code', 'reference', 'from_date', 'to_date', 'qty', 'text', 'identity', 'facts',
                'risk_lines', 'risk_value',
            ],
            self::ROWS_AT_ONCE,
        );
        $risk = new Risk($plan);
        $words = Words::of($plan->options->planDate);
        foreach ($plan->messages() as $n => $message) {
            $known = MessageIdentity::of($message, $plan);
            $insert->add([
                $run, $n, $message->point, $message->code->value, $message->reference(), $this->dates->isoOrNull($message->from),
                $this->dates->isoOrNull($message->to),
                $message->qty, $words->say($phrases->message($message)), $known->identity, $known->facts,
                $risk->count($message), $risk->value($message),
            ]);
        }
        $insert->finish();
    }

    /** Old runs keep their summary, for comparison; their rows would only fill the disk. */
    private function retireOldRuns(Run $new): void
    {
        $runs = fn () => Run::query()->where('stored', true)->where('study_id', $new->study_id);
        $kept = $runs()->orderByDesc('id')->limit($new->study_id === null ? Stored::int(config('yposta.kept_runs')) : 1)->pluck('id');
        $runs()->whereNotIn('id', $kept)->update(['stored' => false]);
    }

    /** Deletes what is left of runs that are not kept, or died in the middle. */
    public function forgetRest(): void
    {
        $kept = Run::query()->where(fn ($query) => $query->where('stored', true)->orWhere(
            fn ($query) => $query->where('status', 'running')->where('stage', 'storing'),
        ))->pluck('id');
        foreach (DB::table('plan_points')->whereNotIn('run_id', $kept)->distinct()->pluck('run_id') as $run) {
            self::forget(Stored::int($run));
        }
    }

    /** Deletes the rows of a run; those go last by which one sees that there are some. */
    public static function forget(int $run): void
    {
        foreach (['plan_messages', 'plan_pegs', 'plan_demands', 'plan_loads', 'plan_operations', 'plan_supplies', 'plan_points'] as $table) {
            DB::table($table)->where('run_id', $run)->delete();
        }
    }
}
