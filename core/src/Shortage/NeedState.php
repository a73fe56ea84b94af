<?php

declare(strict_types=1);

namespace Yposta\Core\Shortage;

/** What a need that is not covered by what there is waits for. In the order in which they matter. */
enum NeedState: string
{
    /** An open order that serves it comes too late, or what it is made of does. */
    case Waiting = 'waiting';

    /** What would serve it should have been ordered before the plan date, or nothing serves it. */
    case Passed = 'passed';

    /** Nothing is too late yet, if it is ordered as proposed. */
    case OrderNow = 'order_now';

    /** Stock and open orders serve it in time. */
    case Covered = 'covered';
}
