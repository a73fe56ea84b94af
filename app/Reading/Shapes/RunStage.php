<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What a run is doing, in its order. */
enum RunStage: string
{
    case Queued = 'queued';
    case Reading = 'reading';
    case Structure = 'structure';
    case Demand = 'demand';
    case Netting = 'netting';
    case Projection = 'projection';
    case Scheduling = 'scheduling';
    case CatchingUp = 'catching up';
    case Storing = 'storing';
}
