<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

/** Why stock moved. */
enum PostingKind: string
{
    /** Came with an order: bought, made, or from another site. */
    case Receipt = 'receipt';

    /** Went into an order that needs it, or came back from it. */
    case Issue = 'issue';

    /** Went to a customer. */
    case Shipment = 'shipment';

    /** Left for another site. */
    case Transfer = 'transfer';

    /** Somebody counted, or knew better. */
    case Count = 'count';

    /** Was blocked, or may be used again; the same quantity moves twice, out of one and into the other. */
    case Block = 'block';

    /** What was blocked is of no use. */
    case Scrap = 'scrap';

    /** Came with data from elsewhere. */
    case Import = 'import';
}
