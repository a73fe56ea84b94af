<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Calendar\Minute;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Run\Supply;
use Yposta\Core\Scheduling\Placed;
use Yposta\Core\Scheduling\Schedule;
use Yposta\Core\Scheduling\ShopPlan;
use Yposta\Core\Scheduling\Standpoint;
use Yposta\Core\Scheduling\Task;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\MoveOperation;
use Yposta\Core\Study\ProposalOrigins;
use Yposta\Core\Study\TakeOffBoard;
use Yposta\Core\Support\Phrase;

/** The shop in which something ends too late, with what the search for ways out asks again and again. */
final class ShopSituation
{
    public readonly PegIndex $pegs;

    public readonly Shop $shop;

    public readonly Standpoint $standpoint;

    /** @var array<int, non-empty-list<array{Task, ShopPlace}>> by object id of the supply */
    private array $operations = [];

    public function __construct(
        public readonly Plan $plan,
        public readonly Schedule $schedule,
        private readonly ProposalOrigins $origins,
    ) {
        $this->pegs = new PegIndex($plan);
        $this->shop = ShopPlan::shop($plan);
        $this->standpoint = new Standpoint($plan, $schedule, $this->shop);
        foreach ($schedule->standing() as $supply => $places) {
            $this->operations[spl_object_id($supply)] = $places;
        }
    }

    /** @return list<array{Task, ShopPlace}> those of an order or proposal, by their number; none where it is not in the shop */
    public function operations(Supply $supply): array
    {
        return $this->operations[spl_object_id($supply)] ?? [];
    }

    /** @return list<array{Task, ShopPlace}> what runs on units before an operation, the last first */
    public function before(Placed $place): array
    {
        $found = [];
        foreach ($this->operations as $operations) {
            foreach ($operations as [$task, $other]) {
                $isThere = $other->workCentre === $place->centre && array_intersect($other->units, $place->units) !== [];
                $isThere && $other->minutes > 0 && $other->end <= $place->start && $found[] = [$task, $other];
            }
        }
        usort($found, fn (array $a, array $b) => $b[1]->start <=> $a[1]->start);

        return $found;
    }

    /**
     * A supply by the code that changes know it by: a proposal becomes an order first.
     *
     * @return array{list<Change>, string} the changes that come before, and the code
     */
    public function asOrder(Supply $supply): array
    {
        if (! $supply->isProposal()) {
            return [[], $supply->name];
        }
        $order = (new ProposalOrders($this->plan, $this->origins))->of($supply, $supply->due, null);

        return [[$order], $order->orderCode()];
    }

    /**
     * What lets operations of an order go that have places, while those before stay where they are.
     *
     * @param  int  $from  number of the first that is let go
     * @return list<Change>
     */
    public function freed(Supply $supply, string $code, int $from): array
    {
        $isKept = false;
        $stay = [];
        foreach ($this->operations($supply) as [$task, $place]) {
            if ($task->op >= $from) {
                $isKept = $isKept || $task->old !== null;
            } elseif ($task->old !== null && ! $task->begun) {
                $stay[] = new MoveOperation(
                    $code, $task->op, $place->workCentre, implode(';', $place->units), Minute::format($place->start), $task->byHand,
                );
            }
        }

        return $isKept ? [new TakeOffBoard($code), ...$stay] : [];
    }

    /** How a supply is called in a sentence. */
    public function called(Supply $supply): Phrase
    {
        return $supply->isProposal()
            ? new Phrase('named.proposed', ['item' => $this->plan->structure->points[$supply->point]->item->code])
            : Situation::orderName($supply->name);
    }
}
