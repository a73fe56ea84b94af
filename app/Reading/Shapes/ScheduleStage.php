<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What is being done for a schedule, in its order. */
enum ScheduleStage: string
{
    case Reading = 'reading';
    case Planning = 'planning';
    case Standing = 'standing';
    case Scheduling = 'scheduling';
    case Improving = 'improving';
}
