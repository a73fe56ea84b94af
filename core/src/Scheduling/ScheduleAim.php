<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/** What an improvement lowers. */
enum ScheduleAim: string
{
    /** Weighted days late, then setup minutes, then waiting minutes. */
    case Late = 'late';

    /** The last end. */
    case Makespan = 'makespan';
}
