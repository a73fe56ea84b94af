<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\ThreadKind;
use App\Reading\Shapes\ThreadRow;
use App\Reading\Shapes\ThreadStep;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/** Pegging on a time axis: each supply at its date below what it serves, the chain that decides the date first. */
final class Thread
{
    public const MOST = 600;

    /** Days before the first and after the last date. */
    private const AROUND = 60;

    /** Days for which closed ones are marked at most. */
    private const LONGEST = 900;

    private readonly Describe $describe;

    private readonly PegGraph $graph;

    /** @var array<string, string> names of suppliers by code */
    private readonly array $suppliers;

    /** @var array<int, true> orders and proposals whose inputs stand in the thread already */
    private array $shown = [];

    /** @var list<ThreadRow> */
    private array $rows = [];

    public function __construct(private readonly StoredPlan $plan)
    {
        $this->describe = new Describe($plan);
        $this->graph = new PegGraph($plan);
        $this->suppliers = DB::table('suppliers')->pluck('name', 'code')->map(fn ($name) => (string) $name)->all();
    }

    /** @return list<ThreadRow> */
    public function down(PegSubject $subject): array
    {
        if ($subject->element instanceof Demand) {
            $this->graph->readDown([$subject->number]);
            $this->needs($subject->number, $this->line($subject->element, -1, 0), 1);
        } else {
            $inputs = $this->graph->inputsOf($subject->number);
            $this->graph->readDown($inputs);
            $this->shown[$subject->number] = true;
            $root = $this->supply($subject->element, null, -1, 0, false, false);
            foreach ($inputs as $input) {
                $this->needs($input, $root, 1);
            }
        }

        return $this->rows;
    }

    /** @return list<ThreadRow> */
    public function up(PegSubject $subject): array
    {
        if ($subject->element instanceof Supply) {
            $this->graph->readUp($subject->number);
            $this->served($subject->number, $this->supply($subject->element, null, -1, 0, false, false), 1);
        }

        return $this->rows;
    }

    /**
     * Where the time goes on the chain that decides the date, from its beginning to the customer.
     *
     * @return list<ThreadStep>
     */
    public function steps(Demand $line): array
    {
        $chain = [];
        for ($demand = $line; ($latest = $this->graph->latest($this->graph->served($this->plan->numberOf($demand)))) !== null;) {
            array_unshift($chain, [$latest, $demand]);
            $demand = $this->plan->waitsFor($latest);
            if ($demand === null) {
                break;
            }
        }
        $steps = [];
        $before = null;
        foreach ($chain as [$supply, $demand]) {
            $item = $this->plan->pointOf($supply->point)->item;
            $what = $supply->kind === SupplyKind::Stock
                ? 'stock'
                : ($supply->isProposal() ? 'proposed_' : 'ordered_').($supply->type->value ?? 'make');
            $steps[] = new ThreadStep(
                (string) trans("thread.step.{$what}", ['item' => $item, 'name' => $supply->name]),
                $this->plan->dates->iso($supply->available),
                $before === null ? max(0, $supply->available - (int) $demand->date) : max(0, $supply->available - $before),
                $before === null,
            );
            $before = $supply->available;
        }

        return $steps;
    }

    /** The supply in which a late sales line's delay begins, with its need. */
    public function beginning(Demand $line): ?Peg
    {
        $found = null;
        for ($demand = $line; $demand !== null && ($pegs = $this->graph->served($this->plan->numberOf($demand))) !== [];) {
            $latest = $this->graph->latest($pegs);
            foreach ($pegs as $peg) {
                $peg->supply === $latest && $found = $peg;
            }
            $demand = $latest === null ? null : $this->plan->waitsFor($latest);
        }

        return $found;
    }

    /** @return list<string> the days around the thread on which nobody works, as ISO dates */
    public function closedDays(Calendar $calendar): array
    {
        $days = [$this->plan->planDate];
        foreach ($this->rows as $row) {
            foreach ([$row->from, $row->to, $row->wanted] as $day) {
                $day === null || $days[] = $this->plan->dates->day($day);
            }
        }
        $closed = [];
        for ($day = min($days) - self::AROUND, $last = min(max($days) + self::AROUND, min($days) + self::LONGEST); $day <= $last; $day++) {
            $calendar->works($day) || $closed[] = $this->plan->dates->iso($day);
        }

        return $closed;
    }

    private function needs(int $number, int $parent, int $level): void
    {
        $demand = $this->plan->demandNumbered($number);
        $pegs = $this->graph->served($number);
        $latest = $this->graph->latest($pegs);
        usort(
            $pegs,
            fn (Peg $a, Peg $b) => ($b->supply === $latest) <=> ($a->supply === $latest) ?: $b->supply->available <=> $a->supply->available,
        );
        foreach ($pegs as $peg) {
            if (count($this->rows) >= self::MOST) {
                return;
            }
            $supply = $this->plan->numberOf($peg->supply);
            $inputs = $this->graph->inputs($supply);
            $repeated = $inputs !== [] && isset($this->shown[$supply]);
            $row = $this->supply(
                $peg->supply, $peg, $parent, $level, $this->graph->decides($number) && $peg->supply === $latest, $repeated,
            );
            if ($inputs === [] || $repeated) {
                continue;
            }
            $this->shown[$supply] = true;
            usort($inputs, fn (int $a, int $b) => $this->graph->decides($b) <=> $this->graph->decides($a));
            foreach ($inputs as $input) {
                $this->needs($input, $row, $level + 1);
            }
        }
        $demand->uncovered > 0 && $this->gap($demand, $parent, $level);
    }

    private function served(int $supply, int $parent, int $level): void
    {
        foreach ($this->graph->serves($supply) as $peg) {
            if (count($this->rows) >= self::MOST) {
                return;
            }
            $for = $peg->demand->for;
            if ($for === null) {
                $this->line($peg->demand, $parent, $level, $peg->qty);

                continue;
            }
            $number = $this->plan->numberOf($for);
            $repeated = isset($this->shown[$number]);
            $row = $this->supply($for, null, $parent, $level, false, $repeated);
            if (! $repeated) {
                $this->shown[$number] = true;
                $this->served($number, $row, $level + 1);
            }
        }
    }

    /** A sales line or another need that comes from outside: a mark where it is complete. */
    private function line(Demand $demand, int $parent, int $level, ?int $qty = null): int
    {
        $point = $this->plan->pointOf($demand->point);
        $what = $this->describe->demand($demand);

        return $this->add(new ThreadRow(
            id: count($this->rows),
            parent: $parent,
            level: $level,
            kind: ThreadKind::Line,
            way: '',
            label: $what->label,
            note: trim("{$point->item} {$point->name}"),
            item: $point->item,
            site: $point->site,
            qty: Quantity::format($qty ?? $demand->qty),
            unit: $point->unit,
            from: null,
            to: $this->plan->dates->iso($demand->expected ?? $demand->date ?? $this->plan->planDate),
            wanted: $this->plan->dates->isoOrNull($demand->date),
            lateDays: $demand->lateDays(),
            holdUp: $demand->lateDays() > 0,
            repeated: false,
            href: $what->href,
            reference: null,
        ));
    }

    private function supply(Supply $supply, ?Peg $peg, int $parent, int $level, bool $holdUp, bool $repeated): int
    {
        $point = $this->plan->pointOf($supply->point);
        $stock = $supply->kind === SupplyKind::Stock;
        $what = $this->describe->supply($supply);
        $slip = $supply->released ? 0 : max(0, $supply->available - $supply->due);
        $from = $supply->released ? $supply->start : max($supply->start + $slip, min($this->plan->planDate, $supply->available));

        return $this->add(new ThreadRow(
            id: count($this->rows),
            parent: $parent,
            level: $level,
            kind: ThreadKind::from($supply->kind->value),
            way: (string) $supply->type?->value,
            label: $point->item,
            note: $stock
                ? (string) trans('from stock')
                : trim(
                    "{$what->label}, "
                        .($supply->supplier === null ? $point->name : $this->suppliers[$supply->supplier] ?? $supply->supplier),
                    ', ',
                ),
            item: $point->item,
            site: $point->site,
            qty: Quantity::format($peg->qty ?? $supply->qty),
            unit: $point->unit,
            from: $stock ? null : $this->plan->dates->iso(min($from, $supply->available)),
            to: $this->plan->dates->iso($supply->available),
            wanted: $peg === null ? null : $this->plan->dates->isoOrNull($peg->demand->date),
            lateDays: $peg?->demand->date === null ? 0 : max(0, $supply->available - $peg->demand->date),
            holdUp: $holdUp,
            repeated: $repeated,
            href: $stock ? Describe::itemHref($point->item, $point->site) : $what->href,
            reference: $stock ? null : $supply->reference(),
        ));
    }

    private function gap(Demand $demand, int $parent, int $level): void
    {
        $point = $this->plan->pointOf($demand->point);
        $date = $this->plan->dates->iso($demand->date ?? $this->plan->planDate);
        $this->add(new ThreadRow(
            id: count($this->rows),
            parent: $parent,
            level: $level,
            kind: ThreadKind::Gap,
            way: '',
            label: $point->item,
            note: (string) trans('nothing covers it'),
            item: $point->item,
            site: $point->site,
            qty: Quantity::format($demand->uncovered),
            unit: $point->unit,
            from: null,
            to: $date,
            wanted: $date,
            lateDays: 0,
            holdUp: false,
            repeated: false,
            href: Describe::itemHref($point->item, $point->site),
            reference: null,
        ));
    }

    private function add(ThreadRow $row): int
    {
        $this->rows[] = $row;

        return $row->id;
    }
}
