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
     * @param  list<string>|null  $centres  what has a place at others stays there; null for all
     * @param  list<string>|null  $orders  others that have a place stay there; null for all
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
        public ?array $centres = null,
        public ?array $orders = null,
    ) {
    }

    /**
     * Whether an operation that has a place stays there, as far as it can.
     *
     * @param  string  $order  code; empty for a proposal
     */
    public function keeps(string $order, string $centre): bool
    {
        return $this->keeps
            || ($this->centres !== null && ! in_array($centre, $this->centres, true))
            || ($this->orders !== null && ! in_array($order, $this->orders, true));
    }
}
