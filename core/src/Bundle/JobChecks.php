<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Network\JobActivity;
use Yposta\Core\Network\JobLine;

/** Checks between the lines of jobs and what is done in them. */
final readonly class JobChecks
{
    public function __construct(private Findings $findings)
    {
    }

    /**
     * @param  array<int, JobLine>  $lines  by their lines in the file
     * @param  list<JobActivity>  $activities
     */
    public function check(array $lines, array $activities): void
    {
        foreach (JobActivity::missing($lines, $activities) as $at => $line) {
            $fault = Fault::of('unknown_activity', ['job' => $line->job, 'activity' => $line->activity], 'activity');
            $this->findings->note($fault, Declaration::of(JobLine::class)->file->name, $at, $fault->property);
        }
    }
}
