<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Calendar\Minute;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Network\Network;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Projection\SafetyStretches;
use Yposta\Core\Run\Message;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Run\Workspace;

/**
 * A plan as its shop can do it, where its options ask for that: what has been scheduled stays where it is as long as that breaks no rule,
 * and what cannot stay, or has no place yet, goes where it ends soonest.
 */
final class ShopPlan
{
    /**
     * @param  Workspace  $work  projected, without a schedule
     * @param  array<int, true>|null  $renewed  points that differ from the plan that it went on from; null after a whole run
     * @param  (callable(string): void)|null  $stage  told when it begins
     */
    public static function of(Network $network, Workspace $work, ?array $renewed, ?callable $stage = null): Plan
    {
        $plan = new Plan($network, $work, $renewed);
        if (! $work->options->schedule) {
            return $plan;
        }
        $stage === null || $stage('scheduling');

        return self::by(self::asItStands($plan, $work->options->scheduleDays), $network, $work, $renewed);
    }

    /**
     * The plan with the dates of a schedule.
     *
     * @param  Schedule  $schedule  of a plan of the workspace without one
     * @param  array<int, true>|null  $renewed  as above
     */
    public static function by(Schedule $schedule, Network $network, Workspace $work, ?array $renewed = null): Plan
    {
        $schedule->apply();
        $touched = $work->planned->points();
        $messages = $schedule->messages();
        foreach ($messages as $message) {
            $touched[$message->point] = true;
        }
        $safety = new SafetyStretches($work);
        foreach ($touched as $index => $_) {
            $work->planned->renewStock($index);
            $safety->write($work->structure->points[$index], $work->supplies[$index] ?? [], $work->demands[$index] ?? []);
            foreach ($work->supplies[$index] ?? [] as $supply) {
                $supply->noCapacityAt === null || $work->projectionMessages[$index][] = new Message(
                    MessageCode::NoCapacity, $supply, $index, $supply->due, $supply->available, $supply->qty,
                );
            }
        }

        foreach ($messages as $message) {
            $work->projectionMessages[$message->point][] = $message;
        }

        return new Plan($network, $work, $renewed === null ? null : $renewed + $touched);
    }

    /**
     * The schedule of what stands in it already, with the rest behind.
     *
     * @param  Plan  $plan  without a schedule; its dates are made those of the schedule when that is applied
     */
    public static function asItStands(Plan $plan, int $proposalsDays): Schedule
    {
        $options = new ScheduleOptions(
            now: $plan->options->planDate * Minute::DAY, proposalsDays: $proposalsDays, keeps: true,
        );

        return (new Scheduler($plan, self::shop($plan), $options))->schedule();
    }

    public static function shop(Plan $plan): Shop
    {
        return new Shop($plan->network, $plan->options->calendars);
    }
}
