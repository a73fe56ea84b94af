<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** How far what an order needs is held. */
enum HoldStatus: string
{
    case Complete = 'complete';
    case Partly = 'partly';
    case None = 'none';
}
