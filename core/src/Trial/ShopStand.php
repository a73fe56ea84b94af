<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

use Yposta\Core\Plan\Plan;
use Yposta\Core\Scheduling\Schedule;
use Yposta\Core\Scheduling\ShopPlan;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\DoesNotFit;

/**
 * The shop as it stands when changes are tried, whether or not the plan goes by it: what has a place is there, the rest where it ends
 * soonest.
 */
final readonly class ShopStand
{
    /** Days of proposals that are in it where the plan does not say. */
    private const PROPOSALS = 14;

    public function __construct(private Trial $trial)
    {
    }

    /**
     * @template T
     *
     * @param  list<Change>  $changes
     * @param  callable(Plan, Schedule): T  $read  the plan with the dates of the shop; keeps nothing of either
     * @return T
     *
     * @throws DoesNotFit when a change does not
     */
    public function with(array $changes, callable $read): mixed
    {
        return $this->trial->with($changes, function (Plan $plan) use ($read): mixed {
            $isPlanned = $plan->options->schedule;
            $plan->work->planned->restore();
            $schedule = ShopPlan::asItStands($plan, $isPlanned ? $plan->options->scheduleDays : self::PROPOSALS);
            try {
                return $read(ShopPlan::by($schedule, $plan->network, $plan->work), $schedule);
            } finally {
                $isPlanned || $plan->work->planned->restore();
            }
        });
    }
}
