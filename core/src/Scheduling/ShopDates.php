<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Calendar\Minute;
use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Projection\SupplyDates;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/**
 * When supplies are there with a schedule: what is in it by its last operation, what is not by section 6 of the planning rules, with the
 * dates of the schedule for what it waits for. The pegs stay those of the plan. Writes the dates into the plan.
 */
final class ShopDates
{
    /** @var array<int, true> supplies whose date is known, by object id */
    private array $known = [];

    private readonly SupplyDates $dates;

    private readonly PegIndex $pegs;

    /** @param  Standing|null  $standing  what stands in the shop beside the schedule */
    public function __construct(private readonly Plan $plan, private readonly ?Standing $standing = null)
    {
        $this->dates = new SupplyDates($plan->options);
        $this->pegs = $plan->pegIndex();
    }

    /** The day on which a supply is there; all jobs that decide it have been finished. */
    public function of(Supply $supply): int
    {
        $end = isset($this->known[spl_object_id($supply)]) ? null : $this->standing?->endOf($supply);
        if ($end !== null) {
            $this->arrive($supply, Minute::day($end - 1));
        } elseif (! isset($this->known[spl_object_id($supply)])) {
            $this->known[spl_object_id($supply)] = true;
            if ($supply->kind !== SupplyKind::Stock) {
                foreach ($supply->inputs as $input) {
                    $this->expect($input);
                }
                [$available, $waitsFor] = [$supply->available, $supply->waitsFor];
                $supply->waitsFor = null;
                $this->dates->settle($supply, $this->plan->structure->points[$supply->point]);
                $this->keep($supply, $available, $waitsFor);
            }
        }

        return $supply->available;
    }

    /**
     * What a job brings is there on the day of its last minute.
     *
     * @param  int  $end  when its last operation has been moved on
     */
    public function finish(Job $job, int $end): void
    {
        $this->arrive($job->supply, Minute::day($end - 1));
    }

    /** A supply is there on a day, whatever it waits for. */
    public function arrive(Supply $supply, int $day): void
    {
        [$available, $waitsFor] = [$supply->available, $supply->waitsFor];
        $supply->available = $day;
        $supply->waitsFor = null;
        $this->keep($supply, $available, $waitsFor);
        $this->known[spl_object_id($supply)] = true;
    }

    /** When a demand is served: with the latest of what serves it, the first of several. */
    public function expect(Demand $demand): void
    {
        [$expected, $last] = [$demand->expected, $demand->last];
        $demand->expected = $demand->last = null;
        foreach ($this->pegs->serving($demand) as $peg) {
            $available = $this->of($peg->supply);
            if ($demand->expected === null || $available > $demand->expected) {
                $demand->expected = $available;
                $demand->last = $peg->supply;
            }
        }
        ($demand->expected === $expected && $demand->last === $last) || $this->plan->work->planned->keepDemand($demand, $expected, $last);
    }

    /** Keeps what was planned where that is something else. */
    private function keep(Supply $supply, int $available, ?Demand $waitsFor): void
    {
        ($supply->available === $available && $supply->waitsFor === $waitsFor)
            || $this->plan->work->planned->keepSupply($supply, $available, $waitsFor);
    }
}
