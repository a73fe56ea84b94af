<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\ThreadKind;
use App\Reading\Shapes\ThreadRow;
use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/** Pegging on a time axis: each supply at its date below what it serves, the chain that decides the date first. */
final class Thread
{
    /** Rows of it; one goes on from there by as many. */
    public const STEP = 600;

    /** Days before the first and after the last date. */
    private const AROUND = 60;

    /** Days for which closed ones are marked at most. */
    private const LONGEST = 900;

    /** @var array<int, true> orders and proposals whose inputs stand in the thread already, by object id */
    private array $shown = [];

    /** @var array<int, ThreadRow> */
    private array $rows = [];

    /** @var array<int, Supply> what is made, by the row it stands in */
    private array $made = [];

    /** @var array<int, int> place of a need among those that stand in the thread, by object id */
    private array $places = [];

    /** @var list<Demand> */
    private array $needs = [];

    /** @param  int  $most  rows */
    public function __construct(private readonly ThreadGround $ground, private readonly int $most = self::STEP)
    {
    }

    /**
     * @param  int|null  $wanted  the day on which an order is asked for, where it is
     * @return list<ThreadRow>
     */
    public function down(Demand|Supply $root, ?int $wanted = null): array
    {
        if ($root instanceof Demand) {
            $this->needs($root, $this->line($root, -1, 0), 1);
        } else {
            $this->shown[spl_object_id($root)] = true;
            $row = $this->supply($root, null, -1, 0, $wanted !== null && $root->available > $wanted, false, $wanted);
            foreach ($this->ground->inputs($root) as $input) {
                $this->needs($input, $row, 1);
            }
        }

        return $this->inShop();
    }

    /** @return list<ThreadRow> */
    public function up(Demand|Supply $root): array
    {
        if ($root instanceof Supply) {
            $this->served($root, $this->supply($root, null, -1, 0, false, false), 1);
        }

        return $this->inShop();
    }

    /** @return list<ThreadRow> the rows, with where the shop has the operations of what is made */
    private function inShop(): array
    {
        $operations = $this->ground->operations(array_values($this->made));
        foreach ($this->made as $place => $supply) {
            $of = $operations[spl_object_id($supply)] ?? [];
            $of === [] || $this->rows[$place] = new ThreadRow(...[...get_object_vars($this->rows[$place]), 'operations' => $of]);
        }

        return array_values($this->rows);
    }

    /** @return list<Demand> that the rows speak of by their places */
    public function demands(): array
    {
        return $this->needs;
    }

    /** Whether it was cut off. */
    public function isFull(): bool
    {
        return count($this->rows) >= $this->most;
    }

    /** @return list<string> the days around the thread on which nobody works, as ISO dates */
    public function closedDays(Calendar $calendar): array
    {
        $days = [$this->ground->planDate()];
        foreach ($this->rows as $row) {
            foreach ([$row->from, $row->to, $row->wanted] as $day) {
                $day === null || $days[] = $this->ground->dates()->day($day);
            }
        }
        $closed = [];
        for ($day = min($days) - self::AROUND, $last = min(max($days) + self::AROUND, min($days) + self::LONGEST); $day <= $last; $day++) {
            $calendar->works($day) || $closed[] = $this->ground->dates()->iso($day);
        }

        return $closed;
    }

    private function needs(Demand $demand, int $parent, int $level): void
    {
        $pegs = $this->ground->served($demand);
        $latest = PegGraph::latest($pegs);
        usort(
            $pegs,
            fn (Peg $a, Peg $b) => ($b->supply === $latest) <=> ($a->supply === $latest) ?: $b->supply->available <=> $a->supply->available,
        );
        foreach ($pegs as $peg) {
            if ($this->isFull()) {
                return;
            }
            $supply = $peg->supply;
            $inputs = $this->ground->inputs($supply);
            $repeated = $inputs !== [] && isset($this->shown[spl_object_id($supply)]);
            $row = $this->supply($supply, $peg, $parent, $level, $this->ground->decides($demand) && $supply === $latest, $repeated);
            if ($inputs === [] || $repeated) {
                continue;
            }
            $this->shown[spl_object_id($supply)] = true;
            usort($inputs, fn (Demand $a, Demand $b) => $this->ground->decides($b) <=> $this->ground->decides($a));
            foreach ($inputs as $input) {
                $this->needs($input, $row, $level + 1);
            }
        }
        $demand->uncovered > 0 && $this->gap($demand, $parent, $level);
    }

    private function served(Supply $supply, int $parent, int $level): void
    {
        foreach ($this->ground->serves($supply) as $peg) {
            if ($this->isFull()) {
                return;
            }
            $for = $peg->demand->for;
            if ($for === null) {
                $this->line($peg->demand, $parent, $level, $peg->qty);

                continue;
            }
            $repeated = isset($this->shown[spl_object_id($for)]);
            $row = $this->supply($for, null, $parent, $level, false, $repeated);
            if (! $repeated) {
                $this->shown[spl_object_id($for)] = true;
                $this->served($for, $row, $level + 1);
            }
        }
    }

    /** The place of a need among those of the thread. */
    private function need(Demand $demand): int
    {
        $id = spl_object_id($demand);
        if (! isset($this->places[$id])) {
            $this->places[$id] = count($this->needs);
            $this->needs[] = $demand;
        }

        return $this->places[$id];
    }

    /** A sales line or another need that comes from outside: a mark where it is complete. */
    private function line(Demand $demand, int $parent, int $level, ?int $qty = null): int
    {
        $point = $this->ground->place($demand);
        $what = $this->ground->demand($demand);

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
            to: $this->ground->dates()->iso($demand->expected ?? $demand->date ?? $this->ground->planDate()),
            wanted: $this->ground->dates()->isoOrNull($demand->date),
            lateDays: $demand->lateDays(),
            holdUp: $demand->lateDays() > 0,
            repeated: false,
            href: $what->href,
            reference: null,
            need: $this->need($demand),
        ));
    }

    private function supply(Supply $supply, ?Peg $peg, int $parent, int $level, bool $holdUp, bool $repeated, ?int $wanted = null): int
    {
        $wanted ??= $peg?->demand->date;
        $point = $this->ground->place($supply);
        $stock = $supply->kind === SupplyKind::Stock;
        $what = $this->ground->supply($supply);
        $slip = $supply->released ? 0 : max(0, $supply->available - $supply->due);
        $supply->type === OrderKind::Make && $this->made[count($this->rows)] = $supply;
        $from = $supply->released ? $supply->start : max($supply->start + $slip, min($this->ground->planDate(), $supply->available));

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
                        .($supply->supplier === null ? $point->name : $this->ground->supplierName($supply->supplier)),
                    ', ',
                ),
            item: $point->item,
            site: $point->site,
            qty: Quantity::format($peg->qty ?? $supply->qty),
            unit: $point->unit,
            from: $stock ? null : $this->ground->dates()->iso(min($from, $supply->available)),
            to: $this->ground->dates()->iso($supply->available),
            wanted: $this->ground->dates()->isoOrNull($wanted),
            lateDays: $wanted === null ? 0 : max(0, $supply->available - $wanted),
            holdUp: $holdUp,
            repeated: $repeated,
            href: $stock ? Describe::itemHref($point->item, $point->site) : $what->href,
            reference: $stock ? null : $supply->reference(),
            need: $peg === null ? null : $this->need($peg->demand),
        ));
    }

    private function gap(Demand $demand, int $parent, int $level): void
    {
        $point = $this->ground->place($demand);
        $date = $this->ground->dates()->iso($demand->date ?? $this->ground->planDate());
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
            need: $this->need($demand),
        ));
    }

    private function add(ThreadRow $row): int
    {
        $this->rows[] = $row;

        return $row->id;
    }
}
