<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A schedule that was asked for: how far it is, or what came of it. */
final readonly class ScheduleState
{
    /**
     * @param  list<string>  $asked  what it was asked for, in words
     * @param  int  $steps  of improvement made
     * @param  int  $wanted  steps of improvement at the most
     * @param  string|null  $best  figure of the best so far, in words
     * @param  string|null  $finishedAt  ISO instant
     * @param  int|null  $commit  that kept it, where it can still be undone
     */
    public function __construct(
        public int $id,
        public ScheduleStatus $status,
        public ?ScheduleStage $stage,
        public array $asked,
        public string $by,
        public int $steps,
        public int $wanted,
        public ?string $best,
        public ?string $trouble,
        public ?string $finishedAt,
        public ?int $commit,
        public ?ScheduleSides $sides,
    ) {
    }
}
