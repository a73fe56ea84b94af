<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What arrives on another day: a sales line, or an order. */
enum ArrivalKind: string
{
    case Line = 'line';
    case Order = 'order';
}
