<?php

declare(strict_types=1);

namespace App\Planning;

use App\Support\Stored;
use Yposta\Core\Options\Limits;
use Yposta\Core\Planner;

/** The planner of the installation: one slip of the hand must not use up the machine for all. */
final class RunLimits
{
    public static function planner(): Planner
    {
        return new Planner(new Limits(Stored::int(config('yposta.lots_per_need')), Stored::int(config('yposta.elements_per_run'))));
    }
}
