<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Why somebody asks a supplier about a line. */
enum ChaseReason: string
{
    case Late = 'late';
    case Otherwise = 'otherwise';
    case NotConfirmed = 'not_confirmed';
    case Soon = 'soon';
}
