<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What a part of a need is covered by. */
enum CoverKind: string
{
    case Stock = 'stock';
    case Order = 'order';
    case Proposal = 'proposal';
    case Late = 'late';
    case Nothing = 'nothing';
}
