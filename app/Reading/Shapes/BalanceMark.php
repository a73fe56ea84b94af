<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What is wrong with a balance: it ends a period below zero, dips below zero in it, or goes below the safety stock. */
enum BalanceMark: string
{
    case Calm = 'calm';
    case Look = 'look';
    case Dip = 'dip';
    case Broken = 'broken';
}
