<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What becomes of a row that is brought. */
enum RowFate: string
{
    case New = 'new';
    case Changed = 'changed';
    case Same = 'same';
    case Wrong = 'wrong';
}
