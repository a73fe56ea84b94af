<?php

declare(strict_types=1);

namespace Yposta\Core\Promise;

use Yposta\Core\Calendar\Minute;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Run\Supply;
use Yposta\Core\Scheduling\Machines;
use Yposta\Core\Scheduling\Placed;
use Yposta\Core\Scheduling\Schedule;
use Yposta\Core\Scheduling\ScheduledOrder;
use Yposta\Core\Scheduling\ScheduleOptions;
use Yposta\Core\Scheduling\Scheduler;
use Yposta\Core\Scheduling\SetupChanges;
use Yposta\Core\Scheduling\ShopDates;
use Yposta\Core\Scheduling\ShopPlan;
use Yposta\Core\Scheduling\Standing;

/**
 * The shop as it stands without a promise: what the plan with one makes more of is placed into its gaps, and nothing that stands there
 * moves (scheduling rules, section 5).
 */
final class ShopGround
{
    /** @var array<string, ScheduledOrder> what is scheduled: orders by reference, proposals by {@see keyOf()} */
    private array $scheduled = [];

    /** @var array<int, array{Supply, int}> what is scheduled with the minute at which it is there, by object id */
    private array $ends = [];

    /** As it stands. */
    private readonly Machines $machines;

    private readonly Shop $shop;

    /** Of the plan that was settled last. */
    private ?ShopDates $dates = null;

    /** @var array<string, array{int, int}> quantity and day of arrival of what is proposed to be made, by {@see keyOf()} */
    private array $proposed = [];

    /** @var array<string, array{int|null, int}> when each sales line is served and what nothing covers, by reference */
    private array $lines = [];

    /** @var array<int, true> points that have been planned anew since, by index */
    private array $reached = [];

    /** Of which it is the shop. */
    public readonly Network $network;

    /** @param  Plan  $plan  without a promise and without a schedule; left as it was */
    public function __construct(Plan $plan, Schedule $schedule)
    {
        $this->network = $plan->network;
        $this->shop = ShopPlan::shop($plan);
        $this->machines = new Machines($this->shop, new SetupChanges($plan->network));
        foreach ($schedule->orders() as $order) {
            $this->scheduled[self::keyOf($order->supply, $plan->placeAmongDue($order->supply))] = $order;
            $this->ends[spl_object_id($order->supply)] = [$order->supply, $order->end];
            foreach ($order->places as $place) {
                $this->machines->occupy(self::placed($place), $place->family);
            }
        }
        $schedule->apply();
        foreach ($plan->supplies as $supplies) {
            foreach ($supplies as $supply) {
                if ($supply->isProposal() && $supply->type === OrderKind::Make) {
                    $this->proposed[self::keyOf($supply, $plan->placeAmongDue($supply))] = [$supply->qty, $supply->available];
                }
            }
        }
        foreach ($plan->demands as $demands) {
            foreach ($demands as $demand) {
                if ($demand->kind === DemandKind::Sales) {
                    $this->lines[$demand->reference()] = [$demand->expected, $demand->uncovered];
                }
            }
        }
        $plan->work->planned->restore();
    }

    /** The shop as a schedule by the default options has it. */
    public static function byDefault(Plan $plan): self
    {
        $options = new ScheduleOptions(now: $plan->options->planDate * Minute::DAY);

        return new self($plan, (new Scheduler($plan, ShopPlan::shop($plan), $options))->schedule());
    }

    /** The shop with what has a place where it is, and the rest where it ends soonest. */
    public static function asItStands(Plan $plan, int $proposalsDays): self
    {
        return new self($plan, ShopPlan::asItStands($plan, $proposalsDays));
    }

    /** Takes note of the points that a plan has anew; to be told of every plan since this one was made. */
    public function reach(Plan $plan): void
    {
        $this->reached += $plan->renewed ?? array_fill_keys($plan->structure->netting, true);
        $this->dates = null;
    }

    /**
     * Writes the dates of the shop into a plan with a promise, as far as they are asked for by {@see expect()} and {@see moved()}; false
     * where what it makes more of has no room.
     */
    public function settle(Plan $plan): bool
    {
        [$standing, $least] = $this->standing($plan);
        $options = new ScheduleOptions(now: $plan->options->planDate * Minute::DAY);
        $schedule = (new Scheduler($plan, $this->shop, $options, $standing))->schedule();
        if ($schedule->givenUp() !== []) {
            return false;
        }
        $this->dates = new ShopDates($plan, $standing);
        foreach ($schedule->orders() as $order) {
            $this->dates->arrive($order->supply, max($least[spl_object_id($order->supply)] ?? 0, Minute::day($order->end - 1)));
        }
        $schedule->tellWhy();

        return true;
    }

    /** Writes when a demand of the settled plan is served. */
    public function expect(Demand $demand): void
    {
        $this->dates?->expect($demand);
    }

    /**
     * The lines that were there before and are served otherwise.
     *
     * @param  Plan  $plan  settled
     * @return iterable<string, array{int|null, int, int|null, int}> expected and uncovered before and after, by reference
     */
    public function moved(Plan $plan): iterable
    {
        foreach ($this->above($plan) as $index => $_) {
            foreach ($plan->demands[$index] ?? [] as $demand) {
                $before = $demand->kind === DemandKind::Sales ? $this->lines[$demand->reference()] ?? null : null;
                if ($before !== null) {
                    $this->expect($demand);
                    $before === [$demand->expected, $demand->uncovered]
                        || yield $demand->reference() => [...$before, $demand->expected, $demand->uncovered];
                }
            }
        }
    }

    /** @return array<int, true> the points that were planned anew, and all whose dates go by theirs, by index */
    private function above(Plan $plan): array
    {
        $points = $this->reached;
        $left = array_keys($points);
        while (($index = array_pop($left)) !== null) {
            foreach ($plan->demands[$index] ?? [] as $demand) {
                $for = $demand->for?->point;
                if ($for !== null && ! isset($points[$for])) {
                    $points[$for] = true;
                    $left[] = $for;
                }
            }
        }

        return $points;
    }

    /** @return array{Standing, array<int, int>} and the day before which what grew is not there, by object id */
    private function standing(Plan $plan): array
    {
        $ends = $more = $least = [];
        $points = array_intersect_key($plan->work->places, $this->reached);
        asort($points);
        foreach ($points as $index => $_) {
            $among = [];
            foreach ($plan->supplies[$index] ?? [] as $supply) {
                $place = $supply->isProposal() ? $among[$supply->due] ??= 0 : 0;
                $supply->isProposal() && $among[$supply->due]++;
                if ($supply->type !== OrderKind::Make) {
                    continue;
                }
                $key = self::keyOf($supply, $place);
                $id = spl_object_id($supply);
                [$qty, $day] = $this->proposed[$key] ?? [0, 0];
                if ($supply->isProposal() && $supply->qty > $qty) {
                    $more[$id] = [$supply, $supply->qty - $qty];
                    $least[$id] = $day;
                } elseif (isset($this->scheduled[$key])) {
                    $ends[$id] = [$supply, $this->scheduled[$key]->end];
                }
            }
        }

        return [new Standing($this->machines, $ends + array_diff_key($this->ends, $more), $more), $least];
    }

    /**
     * By what an order or a proposal is known again in another plan: a proposal by its point, its due date and its place among those.
     *
     * @param  int  $place  {@see Plan::placeAmongDue()}
     */
    private static function keyOf(Supply $supply, int $place): string
    {
        return $supply->isProposal() ? "{$supply->point} {$supply->due} {$place}" : $supply->reference();
    }

    private static function placed(ShopPlace $place): Placed
    {
        return new Placed($place->workCentre, $place->units, $place->start, $place->end, $place->setup, $place->minutes);
    }
}
