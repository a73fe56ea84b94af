<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/** Whether work lies as early or as late as it can. */
enum ScheduleDirection: string
{
    case Forward = 'forward';
    case Backward = 'backward';
}
