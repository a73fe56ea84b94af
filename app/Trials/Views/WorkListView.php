<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Shapes\WorkList;
use App\Reading\Shapes\WorkPart;
use App\Reading\Shapes\WorkRow;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Scheduling\Task;
use Yposta\Core\Trial\Trial;

/** What runs next at a work centre, as the shop stands. */
final readonly class WorkListView
{
    private BoardWords $words;

    /** @param  array<string, list<string>>  $remarks  by code of the order */
    private function __construct(private BoardGround $ground, private array $remarks)
    {
        $this->words = new BoardWords($ground, []);
    }

    /** @param  array<string, list<string>>  $remarks  by code of the order */
    public static function of(Trial $trial, string $centre, int $rows, array $remarks): WorkList
    {
        return BoardGround::read($trial, fn (BoardGround $ground) => (new self($ground, $remarks))->read($centre, $rows));
    }

    private function read(string $centre, int $rows): WorkList
    {
        LoadView::mustHave($this->ground->plan, $centre);
        $found = [];
        foreach ($this->ground->schedule->standing() as $places) {
            foreach ($places as [$task, $place]) {
                $place->workCentre === $centre && $found[] = [$task, $place];
            }
        }
        usort($found, fn (array $a, array $b) => [$a[1]->start, $a[1]->units, $a[1]->end] <=> [$b[1]->start, $b[1]->units, $b[1]->end]);
        $list = $before = [];
        foreach (array_slice($found, 0, $rows) as [$task, $place]) {
            $unit = $place->units[0] ?? 0;
            $list[] = $this->row($task, $place, $before[$unit] ?? '');
            foreach ($place->units as $one) {
                $before[$one] = $place->family;
            }
        }
        $own = $this->ground->plan->network->workCentres[$centre];

        return new WorkList($own->code, $own->name, $own->units, $list, count($found));
    }

    private function row(Task $task, ShopPlace $place, string $before): WorkRow
    {
        $supply = $place->supply;
        $order = $this->words->order($supply, $this->ground->schedule->there($supply), true, $place->family);
        $item = $this->ground->plan->structure->points[$supply->point]->item;
        [$until, $missing] = $this->missing($task);

        return new WorkRow(
            of: $order->of,
            code: $supply->isProposal() ? null : $supply->name,
            label: $order->label,
            op: $place->op,
            units: implode(';', $place->units),
            start: $this->ground->minute($place->start),
            end: $this->ground->minute($place->end),
            item: $item->code,
            name: $item->name,
            unit: $item->unit,
            decimals: $item->decimals,
            qty: $this->qty($place),
            done: Quantity::format($this->words->done($supply, $place->op)),
            setupFrom: $before,
            setupTo: $place->family,
            setup: (int) round($place->setup / Quantity::ONE),
            until: $until === null ? null : Day::format($until),
            missing: $missing,
            parts: $supply->isProposal() ? [] : $this->parts($place),
            remarks: $this->remarks[$supply->name] ?? [],
            way: $order->way,
            late: $order->late,
        );
    }

    /** @return list<WorkPart> what an operation takes of the components of its order; the first takes what names none that the order has */
    private function parts(ShopPlace $place): array
    {
        $operations = array_map(fn (ShopPlace $one) => $one->op, $this->ground->plan->inShop($place->supply));
        $parts = [];
        foreach ($place->supply->inputs as $input) {
            $op = in_array($input->op, $operations, true) ? $input->op : $operations[0] ?? $place->op;
            $item = $this->ground->plan->structure->points[$input->point]->item;
            $op === $place->op && $parts[] = new WorkPart($input->line, $item->code, $item->name);
        }

        return $parts;
    }

    /** The whole quantity of its order. */
    private function qty(ShopPlace $place): string
    {
        $order = $place->supply->isProposal() ? null : $this->ground->plan->network->orders[$place->supply->name] ?? null;

        return Quantity::format($order->qty ?? $place->supply->qty);
    }

    /** @return array{int|null, list<string>} the day from which on all its material is there, where it is not yet; and what is not */
    private function missing(Task $task): array
    {
        $now = $this->ground->plan->options->planDate * Minute::DAY;
        $until = null;
        $missing = [];
        foreach ($task->waits as [$supply]) {
            $there = $this->ground->schedule->there($supply);
            if ($there > $now) {
                $until = max($until ?? 0, Minute::day($there));
                $missing[] = $this->ground->plan->structure->points[$supply->point]->item->code;
            }
        }

        return [$until, array_values(array_unique($missing))];
    }
}
