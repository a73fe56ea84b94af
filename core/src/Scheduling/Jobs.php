<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Calendar\Minute;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Network\Operation;
use Yposta\Core\Network\OperationAlternative;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderOperation;
use Yposta\Core\Network\ProposalOperation;
use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/** What is scheduled: orders and proposals with what their operations take and wait for. */
final class Jobs
{
    private const WHOLE_PERCENT = 100 * Quantity::ONE;

    /** @var list<Job> */
    public array $all = [];

    /** @var array<string, int> places of orders as they were listed */
    private readonly array $listed;

    /** @var array<int, Job> by the supply's object id */
    private array $bySupply = [];

    /** @var array<string, list<OperationAlternative>> by item, site and number */
    private array $alternatives = [];

    /** @var array<int, array<int, true>> places of the jobs that the date of a supply outside the schedule depends on, by its object id */
    private array $below = [];

    /** @var array<string, ProposalOperation> where a kept schedule has proposals, by item, site, due date, number and operation */
    private array $stood = [];

    /** Minute before which what has been scheduled stays where it is. */
    private readonly int $frozenUntil;

    private readonly PegIndex $pegs;

    /** @param  array<int, array{Supply, int}>|null  $only  what is scheduled with its quantities, by object id, in the order of netting; null for all that the options ask for */
    public function __construct(
        private readonly Plan $plan,
        private readonly Shop $shop,
        private readonly ScheduleOptions $options,
        private readonly ?array $only = null,
    ) {
        $this->pegs = $plan->pegIndex();
        $this->frozenUntil = ($plan->options->planDate + $options->frozenDays) * Minute::DAY;
        foreach ($plan->network->proposalOperations as $row) {
            $this->stood[$row->place()] = $row;
        }
        $this->listed = array_flip(array_map(strval(...), array_keys($plan->network->orders)));
        foreach ($plan->network->alternatives as $row) {
            $this->alternatives["{$row->item}\x1f{$row->site}\x1f{$row->op}"][] = $row;
        }
        foreach ($only ?? [] as [$supply]) {
            $this->add($supply);
        }
        foreach ($only === null ? $plan->structure->netting : [] as $index) {
            foreach ($plan->supplies[$index] ?? [] as $supply) {
                $supply->type === OrderKind::Make && $this->add($supply);
            }
        }
    }

    public function of(Supply $supply): ?Job
    {
        return $this->bySupply[spl_object_id($supply)] ?? null;
    }

    /** Takes an order as one outside the schedule. */
    public function leaveOut(Job $job): void
    {
        unset($this->bySupply[spl_object_id($job->supply)]);
        $this->below = [];
    }

    public function takeAll(): void
    {
        foreach ($this->all as $job) {
            $this->bySupply[spl_object_id($job->supply)] = $job;
        }
        $this->below = [];
    }

    /** @return array<int, true> places of the jobs by whose dates something outside the schedule goes that another waits for */
    public function feedingOutside(): array
    {
        $feeding = [];
        foreach ($this->all as $job) {
            foreach ($job->tasks as $task) {
                foreach ($task->waits as [$supply]) {
                    $feeding += $this->of($supply) === null ? $this->below($supply) : [];
                }
            }
        }

        return $feeding;
    }

    /** @return array<int, true> places of the jobs that decide when a supply is there */
    public function below(Supply $supply): array
    {
        $job = $this->of($supply);
        if ($job !== null) {
            return [$job->place => true];
        }
        $id = spl_object_id($supply);
        if (! isset($this->below[$id])) {
            $this->below[$id] = [];
            foreach ($supply->inputs as $input) {
                foreach ($this->pegs->serving($input) as $peg) {
                    $this->below[$id] += $this->below($peg->supply);
                }
            }
        }

        return $this->below[$id];
    }

    private function add(Supply $supply): void
    {
        $order = $supply->kind === SupplyKind::Order ? $this->plan->network->orders[$supply->name] : null;
        $isIn = $order === null ? $supply->start < $this->plan->options->planDate + $this->options->proposalsDays : ! $order->hold;
        if ($this->only === null && ! $isIn) {
            return;
        }
        $job = new Job(
            count($this->all), $supply, $supply->due, $order->finishBy ?? $supply->due,
            max($this->options->now, ($order->notBefore ?? 0) * Minute::DAY), $this->listed[$order->code ?? ''] ?? PHP_INT_MAX,
        );
        $point = $this->plan->structure->points[$supply->point];
        $master = [];
        foreach ($this->shop->routings->of($point->item->code, $point->site->code) as $row) {
            $master[$row->op] = $row;
        }
        $rows = $order === null ? [] : $this->shop->routings->ofOrderRows($order->code);
        $tasks = [];
        foreach ($rows as $row) {
            $left = ($order->qty ?? 0) - $row->done;
            $left > 0 && $tasks[] = $this->taskOfOrder($job, count($tasks), $row, $master[$row->op] ?? null, $left);
        }
        $number = $order === null ? $this->numberOf($supply) : 0;
        foreach ($rows === [] ? $master : [] as $row) {
            $stood = $order === null
                ? $this->stood[ProposalOperation::placeOf($point->item->code, $point->site->code, $supply->due, $number, $row->op)] ?? null
                : null;
            $qty = $this->only[spl_object_id($supply)][1] ?? $order->qty ?? $supply->qty;
            $tasks[] = $this->task($job, count($tasks), $row, $qty, $stood);
        }
        if ($tasks !== []) {
            $job->tasks = $tasks;
            $this->all[] = $this->bySupply[spl_object_id($supply)] = $job;
            $this->wait($job, $rows === [] ? array_keys($master) : array_map(fn (OrderOperation $row) => $row->op, $rows));
        }
    }

    /** The number of a proposal among those of its item and site that are due on its day. */
    public function numberOf(Supply $proposal): int
    {
        return $this->plan->placeAmongDue($proposal) + 1;
    }

    private function task(Job $job, int $place, Operation $row, int $qty, ?ProposalOperation $stood): Task
    {
        $old = $stood === null
            ? null
            : new Placed($stood->workCentre, $stood->unitNumbers(), Minute::parse($stood->start), Placed::OPEN, 0, 0);

        return new Task(
            job: $job->place, place: $place, op: $row->op,
            choices: $this->choices($row, fn (string $centre, int $speed) => new CentreChoice(
                centre: $centre, setup: $row->setup, run: $row->run, base: $row->baseQty, qty: $qty,
                efficiency: $this->plan->network->workCentres[$centre]->efficiency, speed: $speed,
            ), $row->workCentre),
            crew: $row->crew, queue: $row->queue, move: $row->move, family: $row->setupFamily, begun: false, old: $old,
            fixed: $old !== null && $this->options->keeps('', $old->centre), frozen: $old !== null && $old->start < $this->frozenUntil,
        );
    }

    private function taskOfOrder(Job $job, int $place, OrderOperation $row, ?Operation $like, int $left): Task
    {
        $units = $row->unitNumbers();
        $end = $row->end === null || $row->end === '' ? Placed::OPEN : Minute::parse($row->end);
        $old = $row->start === null || $row->start === '' || $units === []
            ? null
            : new Placed($row->workCentre, $units, Minute::parse($row->start), $end, 0, 0);
        $setup = $row->done > 0 ? 0 : $row->setup;

        return new Task(
            job: $job->place, place: $place, op: $row->op,
            choices: $this->choices($like, fn (string $centre, int $speed) => new CentreChoice(
                centre: $centre, setup: $setup, run: $row->run, base: Quantity::ONE, qty: $left,
                efficiency: $this->plan->network->workCentres[$centre]->efficiency, speed: $speed,
            ), $row->workCentre),
            crew: $row->crew, queue: $like->queue ?? 0, move: $like->move ?? 0, family: $like->setupFamily ?? '', begun: $row->done > 0,
            old: $old, fixed: $old !== null && ($row->fixed || $this->options->keeps($row->order, $row->workCentre)),
            frozen: $old !== null && $old->start < $this->frozenUntil, byHand: $row->fixed,
        );
    }

    /**
     * @param  callable(string, int): CentreChoice  $make  of a centre and a speed
     * @return non-empty-list<CentreChoice> the own centre first
     */
    private function choices(?Operation $row, callable $make, string $own): array
    {
        $choices = [$make($own, self::WHOLE_PERCENT)];
        foreach ($row === null ? [] : $this->alternatives["{$row->item}\x1f{$row->site}\x1f{$row->op}"] ?? [] as $other) {
            $other->workCentre === $own || $choices[] = $make($other->workCentre, $other->speed);
        }

        return $choices;
    }

    /**
     * What its operations wait for of the material: lines that name no operation, or one that it does not have, are those of the first;
     * what only an operation that is over would wait for holds nothing up.
     *
     * @param  list<int>  $numbers  of all its operations, also of those that are over
     */
    private function wait(Job $job, array $numbers): void
    {
        $byNumber = [];
        foreach ($job->tasks as $task) {
            $byNumber[$task->op] = $task;
        }
        foreach ($job->supply->inputs as $input) {
            $task = $byNumber[in_array($input->op, $numbers, true) ? $input->op : $numbers[0]] ?? null;
            if ($task === null) {
                continue;
            }
            foreach ($this->pegs->serving($input) as $peg) {
                $peg->supply->kind === SupplyKind::Stock || $task->waits[] = [$peg->supply, $input];
            }
        }
    }
}
