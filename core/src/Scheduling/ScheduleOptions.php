<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/** What a schedule is made with (scheduling rules, section 4). */
final readonly class ScheduleOptions
{
    /**
     * @param  int  $now  minute before which nothing starts
     * @param  int  $frozenDays  from the plan date, in which what has been scheduled stays where it is
     * @param  int  $proposalsDays  from the plan date: proposals that start in them are scheduled, too
     * @param  int  $setupWindow  days from the earliest due date in which the rule `setup` may choose
     * @param  int  $steps  of improvement
     * @param  int  $seed  the same one gives the same schedule
     * @param  bool  $keeps  whether all that has a place stays there, as what is fixed does
     */
    public function __construct(
        public int $now,
        public ScheduleRule $rule = ScheduleRule::Due,
        public ScheduleDirection $direction = ScheduleDirection::Forward,
        public int $frozenDays = 0,
        public int $proposalsDays = 0,
        public int $setupWindow = 3,
        public ScheduleAim $aim = ScheduleAim::Late,
        public int $steps = 0,
        public int $seed = 1,
        public bool $keeps = false,
    ) {
    }
}
