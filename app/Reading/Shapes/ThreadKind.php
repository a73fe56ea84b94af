<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What stands on the time axis of a thread. */
enum ThreadKind: string
{
    case Line = 'line';
    case Stock = 'stock';
    case Order = 'order';
    case Proposal = 'proposal';
    case Gap = 'gap';
}
