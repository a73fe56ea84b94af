<?php

declare(strict_types=1);

namespace Yposta\Core\Run;

/** What a run has to say about an order, a proposal, a demand or a stock (the table of section 5). */
enum MessageCode: string
{
    case BringIn = 'bring_in';
    case PushOut = 'push_out';
    case Cancel = 'cancel';
    case Overdue = 'overdue';
    case StartPassed = 'start_passed';
    case Frozen = 'frozen';
    case LateDemand = 'late_demand';
    case NoSupplier = 'no_supplier';
    case NoBom = 'no_bom';
    case BelowSafety = 'below_safety';

    /** An order or proposal is there later than it is due, as units were taken; only where the plan is made with a schedule. */
    case NoCapacity = 'no_capacity';

    /** An operation that a person has fixed could not stay where it was. */
    case Displaced = 'displaced';

    /** An order has no room in the shop, however late. */
    case NoRoom = 'no_room';
}
