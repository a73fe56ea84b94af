<?php

declare(strict_types=1);

namespace Yposta\Core\Run;

/** Why a delay begins where it begins. */
enum HoldUpReason: string
{
    case LeadTime = 'lead_time';
    case Overdue = 'overdue';
    case DueLate = 'due_late';
    case Frozen = 'frozen';
    case NoSupply = 'no_supply';
    case NoCapacity = 'no_capacity';
}
