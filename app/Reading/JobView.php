<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\Dates;
use App\Planning\TableMap;
use App\Reading\Shapes\ExplanationPeg;
use App\Reading\Shapes\JobActivityRow;
use App\Reading\Shapes\JobDetail;
use App\Reading\Shapes\JobLineRow;
use App\Reading\Shapes\JobRow;
use App\Support\CostText;
use App\Support\Stored;
use App\Support\Words;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use LogicException;
use Yposta\Core\Network\Item;
use Yposta\Core\Network\JobActivity;
use Yposta\Core\Network\JobHeading;
use Yposta\Core\Network\JobLine;
use Yposta\Core\Plan\JobCosts;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/** Projects for customers: what they need, where the live plan has it from, and what they cost. */
final class JobView
{
    /** Jobs that come at once. */
    public const ROWS = 60;

    /** Names of the columns that the list can be sorted by, and what it is sorted by. */
    public const SORTED = ['job' => 'code', 'name' => 'name', 'customer' => 'customer', 'days' => 'begins'];

    private const AT_ONCE = 300;

    private readonly Dates $dates;

    public function __construct(private readonly ?StoredPlan $plan)
    {
        $this->dates = new Dates;
    }

    /**
     * Jobs by their first day, those without one last, or as asked.
     *
     * @param  int  $from  place in the list
     * @return array{list<JobRow>, int} and how many there are in all
     */
    public function all(string $text, ListOrder $order, int $from = 0): array
    {
        $query = DB::table('jobs_for_customers')
            ->when($text !== '', fn (Builder $query) => TextMatch::in($query, ['code', 'name', 'customer'], $text));
        $total = $query->count();
        $map = TableMap::of(JobHeading::class);
        $rows = $order->apply($query, self::SORTED)->orderByRaw('begins is null')->orderBy('begins')->orderBy('code')
            ->offset($from)->limit(self::ROWS)->get();
        $jobs = array_values($rows->map($map->object(...))->all());
        $lines = $this->lines(array_column($jobs, 'code'));
        $grounds = $this->grounds(array_merge(...array_values($lines)));

        return [array_map(fn (JobHeading $job) => $this->row($job, $lines[$job->code] ?? [], $grounds), $jobs), $total];
    }

    /** A job in full; null where there is none. */
    public function one(string $code): ?JobDetail
    {
        $stored = DB::table('jobs_for_customers')->where('code', $code)->first();
        if ($stored === null) {
            return null;
        }
        $job = TableMap::of(JobHeading::class)->object($stored);
        $lines = $this->lines([$code])[$code] ?? [];
        $grounds = $this->grounds($lines);
        $byActivity = [];
        foreach ($lines as $line) {
            $byActivity["\x1f{$line->activity}"][] = $this->line($line, $grounds);
        }
        $activities = [];
        $map = TableMap::of(JobActivity::class);
        $kept = DB::table('job_activities')->where('job_code', $code)->orderByRaw('begins is null')->orderBy('begins')->orderBy('activity')->get();
        foreach ($kept as $row) {
            $activity = $map->object($row);
            $activities[] = new JobActivityRow(
                $activity->activity, $activity->name, $this->dates->isoOrNull($activity->begins), $this->dates->isoOrNull($activity->ends),
                $byActivity["\x1f{$activity->activity}"] ?? [],
            );
        }
        isset($byActivity["\x1f"]) && $activities[] = new JobActivityRow('', '', null, null, $byActivity["\x1f"]);

        return new JobDetail($this->row($job, $lines, $grounds), MasterData::recordOf($job), $activities);
    }

    /**
     * @param  list<string>  $jobs  codes
     * @return array<string, list<JobLine>> by job, in the order of their lines
     */
    private function lines(array $jobs): array
    {
        $map = TableMap::of(JobLine::class);
        $lines = [];
        foreach (DB::table('job_lines')->whereIn('job_code', $jobs)->orderBy('due')->orderBy('id')->get() as $row) {
            $line = $map->object($row);
            $lines[$line->job][] = $line;
        }

        return $lines;
    }

    /**
     * What is known of some lines: their items, and in the live plan their demands with what serves them.
     *
     * @param  list<JobLine>  $lines
     * @return array{items: array<string, Item>, demands: array<string, array{Demand, list<Peg>}>, prices: array<string, int|null>}
     */
    private function grounds(array $lines): array
    {
        $items = $demands = $prices = [];
        $map = TableMap::of(Item::class);
        foreach (array_chunk(array_unique(array_filter(array_column($lines, 'item'))), self::AT_ONCE) as $codes) {
            foreach (DB::table('items')->whereIn('code', $codes)->get() as $row) {
                $item = $map->object($row);
                $items[$item->code] = $item;
            }
        }
        foreach (array_chunk(array_unique(array_column($lines, 'job')), self::AT_ONCE) as $jobs) {
            foreach ($this->plan === null ? [] : self::demands($this->plan, $jobs) as [$demand, $pegs]) {
                $demands[$demand->reference()] = [$demand, $pegs];
                foreach ($pegs as $peg) {
                    $peg->supply->kind === SupplyKind::Order && $prices[$peg->supply->name] = null;
                }
            }
        }
        foreach (array_chunk(array_map(strval(...), array_keys($prices)), self::AT_ONCE) as $codes) {
            foreach (DB::table('order_lines')->whereIn('code', $codes)->pluck('price', 'code') as $code => $price) {
                $prices[$code] = $price === null ? null : Stored::int($price);
            }
        }

        return ['items' => $items, 'demands' => $demands, 'prices' => $prices];
    }

    /**
     * @param  array<string>  $jobs  codes
     * @return iterable<array{Demand, list<Peg>}>
     */
    private static function demands(StoredPlan $plan, array $jobs): iterable
    {
        $numbers = DB::table('plan_demands')->where('run_id', $plan->run->id)->where('kind', 'job')->whereIn('name', $jobs)->pluck('n');
        foreach ($plan->pegsOfDemands(array_values($numbers->map(Stored::int(...))->all())) as $n => $pegs) {
            yield [$plan->demandNumbered($n), $pegs];
        }
    }

    /**
     * @param  list<JobLine>  $lines
     * @param  array{items: array<string, Item>, demands: array<string, array{Demand, list<Peg>}>, prices: array<string, int|null>}  $grounds
     */
    private function row(JobHeading $job, array $lines, array $grounds): JobRow
    {
        $costs = JobCosts::none();
        $late = 0;
        $last = null;
        $isOpen = false;
        foreach ($lines as $line) {
            $costs = $costs->plus($this->costs($line, $grounds));
            $demand = $grounds['demands'][(string) $line->reference()][0] ?? null;
            if ($demand !== null) {
                $late += $demand->lateDays() > 0 || $demand->originalDate !== null ? 1 : 0;
                $isOpen = $isOpen || $demand->expected === null;
                $last = max($last, $demand->expected);
            }
        }

        return new JobRow(
            code: $job->code,
            name: $job->name,
            customer: $job->customer,
            priority: $job->priority,
            begins: $this->dates->isoOrNull($job->begins),
            ends: $this->dates->isoOrNull($job->ends),
            lines: count($lines),
            toApprove: count(array_filter($lines, fn (JobLine $line) => $line->item !== null && ! $line->approved)),
            placeholders: count(array_filter($lines, fn (JobLine $line) => $line->item === null)),
            late: $late,
            expected: $isOpen ? null : $this->dates->isoOrNull($last),
            estimated: CostText::ofProduct($costs->estimated),
            committed: CostText::ofProduct($costs->committed),
            actual: CostText::ofProduct($costs->actual),
            record: MasterData::recordOf($job)->record,
        );
    }

    /** @param  array{items: array<string, Item>, demands: array<string, array{Demand, list<Peg>}>, prices: array<string, int|null>}  $grounds */
    private function line(JobLine $line, array $grounds): JobLineRow
    {
        $item = $line->item === null ? null : $grounds['items'][$line->item];
        [$demand, $pegs] = $grounds['demands'][(string) $line->reference()] ?? [null, []];
        $costs = $this->costs($line, $grounds);
        $of = fn (SupplyKind $kind): string => Quantity::format(array_sum(array_map(
            fn (Peg $peg) => $peg->supply->kind === $kind ? $peg->qty : 0, $pegs,
        )));

        return new JobLineRow(
            row: MasterData::recordOf($line),
            reference: (string) $line->reference(),
            line: $line->line,
            activity: $line->activity,
            item: $line->item,
            name: $line->text !== '' ? $line->text : $item->name ?? '',
            site: $line->site,
            unit: $item->unit ?? '',
            decimals: $item->decimals ?? 0,
            qty: Quantity::format($line->qty),
            issued: Quantity::format($line->issued),
            open: Quantity::format($line->open()),
            due: $this->dates->iso($line->due),
            approved: $line->approved,
            isPlanned: $demand !== null,
            expected: $this->dates->isoOrNull($demand?->expected),
            lateDays: $demand?->daysPastDue() ?? 0,
            strip: $demand === null || $this->plan === null ? null : (new Describe($this->plan))->strip($demand, $pegs),
            from: array_map($this->peg(...), $pegs),
            stock: $of(SupplyKind::Stock),
            ordered: $of(SupplyKind::Order),
            proposed: $of(SupplyKind::Proposal),
            estimated: CostText::ofProduct($costs->estimated),
            committed: CostText::ofProduct($costs->committed),
            actual: CostText::ofProduct($costs->actual),
        );
    }

    private function peg(Peg $peg): ExplanationPeg
    {
        $plan = $this->plan ?? throw new LogicException('a peg is of a plan');

        return new ExplanationPeg(
            (new Describe($plan))->supply($peg->supply), $this->when($peg->supply, $plan), Quantity::format($peg->qty),
        );
    }

    private function when(Supply $supply, StoredPlan $plan): string
    {
        return $supply->kind === SupplyKind::Stock ? '' : Words::day($supply->available, $plan->planDate);
    }

    /** @param  array{items: array<string, Item>, demands: array<string, array{Demand, list<Peg>}>, prices: array<string, int|null>}  $grounds */
    private function costs(JobLine $line, array $grounds): JobCosts
    {
        $ordered = [];
        foreach ($grounds['demands'][(string) $line->reference()][1] ?? [] as $peg) {
            $peg->supply->kind === SupplyKind::Order && $ordered[] = [$peg->qty, $grounds['prices'][$peg->supply->name] ?? null];
        }

        return JobCosts::ofLine($line, $line->item === null ? 0 : $grounds['items'][$line->item]->unitCost, $ordered);
    }
}
