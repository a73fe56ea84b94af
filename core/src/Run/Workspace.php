<?php

declare(strict_types=1);

namespace Yposta\Core\Run;

use Yposta\Core\Options\Limits;
use Yposta\Core\Options\Options;
use Yposta\Core\Structure\Point;
use Yposta\Core\Structure\Structure;

/** What a run has gathered and made so far, point by point, so that a point can be done again without the others. */
final class Workspace
{
    /** @var array<int, list<Demand>> by point */
    public array $demands = [];

    /** @var array<int, list<Supply>> by point; proposals in the order in which they were made */
    public array $supplies = [];

    /** @var array<int, list<Message>> by point: what the input itself says (overdue orders, demands in the past) */
    public array $factMessages = [];

    /** @var array<int, list<Message>> by point */
    public array $nettingMessages = [];

    /** @var array<int, list<Message>> by point */
    public array $projectionMessages = [];

    /** @var array<int, list<Peg>> by point */
    public array $pegs = [];

    /** @var array<int, int> by point, the first day on which projected stock is below zero */
    public array $shortFrom = [];

    /** Places of open orders, sales lines and lines of jobs in the order of references. */
    public Places $orders;

    public Places $sales;

    public Places $jobs;

    /** What was planned where a schedule has other dates. */
    public readonly PlannedDates $planned;

    /** @var array<int, list<ShopPlace>> where a schedule has the operations of a supply, by its object id */
    public array $shop = [];

    /** Whether all proposals have their numbers. */
    public bool $isNumbered = false;

    /** @var array<int, int> place of each point in the order of netting */
    public readonly array $places;

    public function __construct(
        public readonly Structure $structure,
        public readonly Options $options,
        public readonly Limits $limits = new Limits,
    ) {
        $this->places = array_flip($structure->netting);
        $this->orders = $this->sales = $this->jobs = new Places([]);
        $this->planned = new PlannedDates($this);
    }

    /**
     * Adds a demand unless it is outside the run: its point is, it is for nothing, or its date is after the horizon.
     *
     * A date before the plan date counts as the plan date and brings a message (section 4).
     *
     * @param  int  $rank  see {@see DemandKind::rank()}
     * @param  int  $qty  millionths
     * @param  int  $date  day number
     */
    public function demand(
        Point $point,
        DemandKind $kind,
        string $name,
        string $line,
        int $rank,
        int $qty,
        int $date,
        int $priority,
        ?Supply $for = null,
        string $customer = '',
    ): ?Demand {
        if ($qty <= 0 || ! $point->inScope || $date > $this->options->horizonEnd) {
            return null;
        }
        $planDate = $this->options->planDate;
        $original = null;
        if ($date < $planDate) {
            $original = $date;
            $date = $planDate;
        }
        $need = $point->calendar->back($date, $point->planning->safetyDays);
        $demand = new Demand(
            point: $point->index,
            kind: $kind,
            name: $name,
            line: $line,
            rank: $rank,
            qty: $qty,
            date: $date,
            need: $need < $planDate ? $planDate : $need,
            priority: $priority,
            originalDate: $original,
            for: $for,
            customer: $customer,
        );
        if ($original !== null) {
            $this->factMessages[$point->index][] = new Message(MessageCode::LateDemand, $demand, $point->index, $original, $planDate, $qty);
        }

        return $this->demands[$point->index][] = $demand;
    }

    /** How many supplies and demands a point has. */
    public function size(int $point): int
    {
        return count($this->demands[$point] ?? []) + count($this->supplies[$point] ?? []);
    }

    /** Numbers the proposals over the whole run: point by point as they are netted, in a point as they were made. */
    public function number(): void
    {
        if ($this->isNumbered) {
            return;
        }
        $this->isNumbered = true;
        $number = 0;
        foreach ($this->structure->netting as $index) {
            foreach ($this->supplies[$index] ?? [] as $supply) {
                if ($supply->isProposal()) {
                    $supply->call((string) ++$number);
                }
            }
        }
    }
}
