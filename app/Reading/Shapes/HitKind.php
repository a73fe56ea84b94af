<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What a search has found. */
enum HitKind: string
{
    case Item = 'item';
    case Order = 'order';
    case Sales = 'sales';
    case Job = 'job';
    case Customer = 'customer';
    case Supplier = 'supplier';
}
