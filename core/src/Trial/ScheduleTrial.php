<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

use Yposta\Core\Network\Network;
use Yposta\Core\Options\Options;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Planner;
use Yposta\Core\Scheduling\Improvement;
use Yposta\Core\Scheduling\Schedule;
use Yposta\Core\Scheduling\ScheduleOptions;
use Yposta\Core\Scheduling\Scheduler;
use Yposta\Core\Scheduling\Sequences;
use Yposta\Core\Scheduling\ShopPlan;

/** The shop as it stands, and as it would be scheduled anew: what each comes to, and what that does to customers. */
final class ScheduleTrial
{
    private readonly Plan $plan;

    private ?Outcome $before = null;

    /** @param  (callable(string): void)|null  $stage  told when a stage of planning begins */
    public function __construct(
        private readonly Network $network,
        private readonly Options $options,
        private readonly ScheduleOptions $wanted,
        Planner $planner = new Planner,
        ?callable $stage = null,
    ) {
        $this->plan = $planner->plan($network, $options->with(schedule: false), $stage);
    }

    /** What stands in the shop stays there, the rest goes behind; to be asked before the new one is made. */
    public function asItStands(): ScheduleResult
    {
        $schedule = ShopPlan::asItStands(
            $this->plan, $this->options->schedule ? $this->options->scheduleDays : $this->wanted->proposalsDays,
        );
        $result = $this->result($schedule);
        $this->before = $result->outcome;
        $this->plan->work->planned->restore();

        return $result;
    }

    /**
     * @param  callable(int, Schedule|Sequences): bool  $goesOn  told the steps of improvement made and the best so far; whether to go on
     * @return array{ScheduleResult, Effect, int} the new schedule, what it does to customers and totals, and the steps that were made
     */
    public function anew(callable $goesOn): array
    {
        $before = $this->before ?? $this->asItStands()->outcome;
        $scheduler = new Scheduler(new Plan($this->network, $this->plan->work), ShopPlan::shop($this->plan), $this->wanted);
        $schedule = $scheduler->schedule();
        $steps = 0;
        if ($this->wanted->steps > 0 && $goesOn(0, $schedule)) {
            [$schedule, $steps] = (new Improvement($scheduler, $this->wanted))->of($schedule, $goesOn);
        }
        $result = $this->result($schedule);

        return [$result, Effect::between($before, $result->outcome), $steps];
    }

    private function result(Schedule $schedule): ScheduleResult
    {
        [$figures, $orders] = [$schedule->figures(), $schedule->orders()];

        return new ScheduleResult(
            figures: $figures, orders: $orders, givenUp: $schedule->givenUp(), displaced: $schedule->frozenMoved(),
            outcome: Outcome::of(ShopPlan::by($schedule, $this->network, $this->plan->work)), structure: $this->plan->structure,
        );
    }
}
