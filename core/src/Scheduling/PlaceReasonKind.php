<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/** What may hold an operation where it stands. */
enum PlaceReasonKind: string
{
    /** Nothing starts before the plan date. */
    case Now = 'now';

    /** Its order may not be worked on sooner. */
    case NotBefore = 'not_before';

    /** The operation of its order before it ends then, with its move and the queue. */
    case Operation = 'operation';

    case Material = 'material';

    /** Its unit is taken until then. */
    case Taken = 'taken';

    /** Its units are on together only then. */
    case Opens = 'opens';

    /** A person has put it there. */
    case ByHand = 'by_hand';

    /** A kept schedule has it there. */
    case Kept = 'kept';
}
