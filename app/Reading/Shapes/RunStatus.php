<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** How far a run is. */
enum RunStatus: string
{
    case Queued = 'queued';
    case Running = 'running';
    case Done = 'done';
    case Failed = 'failed';
}
