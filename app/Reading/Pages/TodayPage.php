<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\DailyRun;
use App\Reading\Shapes\FirstStep;
use App\Reading\Shapes\LabelledValue;
use App\Reading\Shapes\MissingRow;
use App\Reading\Shapes\TodayDay;
use App\Reading\Shapes\TodayFigure;
use App\Reading\Shapes\TodayLine;

/** What needs the planner today. */
final readonly class TodayPage extends Page
{
    /**
     * @param  list<TodayLine>  $lines
     * @param  list<TodayDay>  $days
     * @param  list<TodayFigure>  $figures
     * @param  list<LabelledValue>  $reasons
     * @param  array{salesLines: int, points: int, horizonEnd: string}|null  $totals
     * @param  list<MissingRow>  $missing
     * @param  DailyRun|null  $daily  what the run by itself changed today
     * @param  list<FirstStep>  $steps  to a first plan, where there is none
     * @param  bool  $mayLoadDemo  whether the person may put the demo company into the empty installation
     * @param  bool  $demo  whether the person may let days pass
     */
    public function __construct(
        public bool $planned,
        public array $lines,
        public array $days,
        public array $figures,
        public array $reasons,
        public ?array $totals,
        public array $missing,
        public bool $demo,
        public ?DailyRun $daily = null,
        public array $steps = [],
        public bool $mayLoadDemo = false,
    ) {
    }
}
