<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

/** What could be done about a need that is not covered in time, or about a work centre that has more to do than it can. */
enum RemedyKind: string
{
    /** The order that needs it waits until its material is there. */
    case MoveOrder = 'move_order';

    /** The customer is told a later date. */
    case MoveLine = 'move_line';

    case Substitute = 'substitute';

    /** A purchase, production or transfer order that is under way comes earlier; the other side has to agree. */
    case PullIn = 'pull_in';

    /** What is proposed too late is ordered now, and delivered faster than the lead time. */
    case Hurry = 'hurry';

    /** What is proposed is ordered now. */
    case OrderNow = 'order_now';

    case OtherSupplier = 'other_supplier';

    /** Bought what is usually made or moved. */
    case BuyInstead = 'buy_instead';

    /** Stock or supply of a less urgent need. */
    case TakeFrom = 'take_from';

    case Transfer = 'transfer';

    /** What is complete is built now, the rest later. */
    case Split = 'split';

    /** The order becomes more urgent than others that want the same. */
    case Urgent = 'urgent';

    /** What a work centre has no room for is done before. */
    case DoEarlier = 'do_earlier';

    /** What a work centre has no room for is done after, where nobody waits for it. */
    case DoLater = 'do_later';

    /** Operations are done at another work centre. */
    case OtherCentre = 'other_centre';

    /** Less is forecast of what a work centre has no room for. */
    case LessForecast = 'less_forecast';

    /** A work centre works longer. */
    case OpenLonger = 'open_longer';

    /** Orders make no more than somebody needs. */
    case SmallerLots = 'smaller_lots';

    /** An operation is done before another that has its units. */
    case DoBefore = 'do_before';

    /** The places of an order's operations are given up, so that they go where they end soonest. */
    case LetGo = 'let_go';

    /** A part of an order is made first, the rest after. */
    case SplitWork = 'split_work';
}
