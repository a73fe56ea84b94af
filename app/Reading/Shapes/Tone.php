<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** How strongly a line is said. */
enum Tone: string
{
    case Plain = 'plain';
    case Mute = 'mute';
    case Sum = 'sum';
    case Look = 'look';
    case Broken = 'broken';
}
