<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Shapes\BoardOrder;
use App\Support\Words;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Plan\EndShares;
use Yposta\Core\Plan\FirstNeed;
use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Supply;
use Yposta\Core\Scheduling\Task;

/** Says what stands on the board. */
final class BoardWords
{
    /** Customers of an order that are named. */
    private const CUSTOMERS = 6;

    public readonly TrialPresenter $presenter;

    private readonly PegIndex $pegs;

    private readonly EndShares $ends;

    /** @var array<string, int> what is done of operations, millionths by order and number */
    private array $done = [];

    /** @param  array<string, true>  $drafted  codes of orders that a draft speaks of */
    public function __construct(private readonly BoardGround $ground, private readonly array $drafted)
    {
        $this->presenter = new TrialPresenter($ground->plan->network, $ground->plan->options->planDate);
        $this->pegs = new PegIndex($ground->plan);
        $this->ends = new EndShares($ground->plan);
        foreach ($ground->plan->network->orderOperations as $row) {
            $this->done["{$row->order}\t{$row->op}"] = $row->done;
        }
    }

    /** What is done of an operation, in millionths. */
    public function done(Supply $supply, int $op): int
    {
        return $supply->isProposal() ? 0 : $this->done["{$supply->name}\t{$op}"] ?? 0;
    }

    /** How an operation stands: put by hand, kept from a schedule, or loose, where it ends soonest. */
    public function placeOf(Task $task): string
    {
        return match (true) {
            $task->old === null, $this->ground->schedule->hasMoved($task) => 'loose',
            $task->byHand => 'hand',
            default => 'kept',
        };
    }

    /**
     * @param  int|null  $end  minute at which it is there; null where it is nowhere on the board
     * @param  string  $family  of its first operation
     */
    public function order(Supply $supply, ?int $end, bool $isPlaced, string $family): BoardOrder
    {
        $point = $this->ground->plan->structure->points[$supply->point];
        $order = $supply->isProposal() ? null : $this->ground->plan->network->orders[$supply->name];
        $lines = $this->lines($supply);
        [$target, $way, $late] = $this->way($supply, $end, $lines);

        return new BoardOrder(
            of: $this->ground->of($supply),
            label: $this->label($supply),
            item: $point->item->code,
            name: $point->item->name,
            qty: Quantity::format($supply->qty),
            unit: $point->item->unit,
            state: $order === null ? 'proposed' : $order->status->value,
            family: $family,
            customers: array_slice(array_values(array_unique(array_map(fn (Demand $line) => $line->customer, $lines))), 0, self::CUSTOMERS),
            target: $target === null ? null : $this->ground->minute($target),
            way: $way,
            late: $late,
            isPlaced: $isPlaced,
            isDrafted: isset($this->drafted[$order->code ?? '']),
            due: Day::format($supply->due),
        );
    }

    public function label(Supply $supply): string
    {
        return $supply->isProposal() ? (string) trans('proposed') : TrialPresenter::code($supply->name);
    }

    public function itemOf(Supply $supply): string
    {
        return $this->ground->plan->structure->points[$supply->point]->item->code;
    }

    /** @return list<Demand> the sales lines that it is for in the end, those that are wanted soonest first */
    private function lines(Supply $supply): array
    {
        $lines = [];
        foreach ($this->ends->of($supply) as [$demand]) {
            $demand->kind->isOrdered() && $lines[] = $demand;
        }
        $order = fn (Demand $line) => [$line->date, $line->priority, $line->name, $line->line];
        usort($lines, fn (Demand $a, Demand $b) => $order($a) <=> $order($b));

        return $lines;
    }

    /**
     * The way from its end to when it is wanted: by a customer where it goes there, else by the orders that take it.
     *
     * @param  list<Demand>  $lines
     * @return array{int|null, string, int} the minute at the end of that day, the way in words, and days after it
     */
    private function way(Supply $supply, ?int $end, array $lines): array
    {
        if ($end === null) {
            return [null, '', 0];
        }
        $day = Minute::day($end - 1);
        $first = FirstNeed::of($this->pegs, $supply);
        if ($first === null) {
            return [null, '', 0];
        }
        [$wanted, $demand] = $first;
        $late = $day - $wanted;
        $whom = match ($demand->kind) {
            DemandKind::Sales, DemandKind::Job => $demand->customer === '' ? "{$demand->name}/{$demand->line}" : $demand->customer,
            DemandKind::Forecast => (string) trans('the forecast'),
            default => $demand->for === null ? '' : "{$this->label($demand->for)} {$this->itemOf($demand->for)}",
        };
        $way = match (true) {
            $late > 0 => trans_choice('{1} 1 day late for :whom|[2,*] :count days late for :whom', $late, ['whom' => $whom]),
            $late === 0 => trans('on the day for :whom', ['whom' => $whom]),
            default => trans_choice('{1} 1 day before :whom|[2,*] :count days before :whom', -$late, ['whom' => $whom]),
        };
        // what goes into another order is late for a customer only where one of those it is for in the end is
        $isHurt = $demand->kind->isOrdered()
            || array_filter($lines, fn (Demand $line) => $line->lateDays() > 0 || $line->originalDate !== null) !== [];

        return [($wanted + 1) * Minute::DAY, (string) $way, $late > 0 && $isHurt ? $late : min($late, 0)];
    }
}
