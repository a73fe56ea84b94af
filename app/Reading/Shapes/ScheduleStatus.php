<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** How far a schedule is that was asked for, and what became of it. */
enum ScheduleStatus: string
{
    case Queued = 'queued';
    case Running = 'running';
    case Done = 'done';
    case Failed = 'failed';
    case Dropped = 'dropped';
    case Kept = 'kept';
}
