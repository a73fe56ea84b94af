<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** How far an order is. */
enum OrderState: string
{
    case Firm = 'firm';
    case Released = 'released';
    case Done = 'done';
    case Cancelled = 'cancelled';
}
