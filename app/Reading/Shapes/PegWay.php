<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** The way in which pegs are followed: to what serves a need, to whom a supply is for, or along the chain that decides a date. */
enum PegWay: string
{
    case Down = 'down';
    case Up = 'up';
    case HoldUp = 'hold-up';
}
