<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/** How a net requirement becomes proposals (section 5 of the planning rules). */
enum LotRule: string
{
    case LotForLot = 'lot_for_lot';
    case PerOrder = 'per_order';
    case Fixed = 'fixed';
    case MinMax = 'min_max';
}
