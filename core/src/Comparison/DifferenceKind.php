<?php

declare(strict_types=1);

namespace Yposta\Core\Comparison;

/** How an element of one plan differs from that of another. */
enum DifferenceKind: string
{
    case Added = 'added';
    case Gone = 'gone';
    case Changed = 'changed';
}
