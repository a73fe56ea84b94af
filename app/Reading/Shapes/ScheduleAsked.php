<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Scheduling\ScheduleAim;
use Yposta\Core\Scheduling\ScheduleDirection;
use Yposta\Core\Scheduling\ScheduleRule;

/** What the form of a schedule begins with: what was asked for last. */
final readonly class ScheduleAsked
{
    /**
     * @param  list<string>|null  $centres  only these; null for all
     * @param  list<string>|null  $orders  only these; null for all
     */
    public function __construct(
        public ScheduleRule $rule = ScheduleRule::Due,
        public ScheduleDirection $direction = ScheduleDirection::Forward,
        public ScheduleAim $aim = ScheduleAim::Late,
        public int $steps = 500,
        public int $seconds = 20,
        public int $frozenDays = 2,
        public int $proposalsDays = 14,
        public int $setupWindow = 3,
        public ?array $centres = null,
        public ?array $orders = null,
    ) {
    }
}
