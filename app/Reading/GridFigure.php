<?php

declare(strict_types=1);

namespace App\Reading;

use Yposta\Core\Plan\BucketRow;

/** What the plan grid shows of each period. */
enum GridFigure: string
{
    case Balance = 'balance';
    case Needed = 'needed';
    case ToStart = 'to_start';

    /** In millionths. */
    public function of(BucketRow $row, bool $asExpected): int
    {
        return match ($this) {
            self::Balance => $asExpected ? $row->expectedBalance : $row->balance,
            self::Needed => $row->demand(),
            self::ToStart => $row->proposalsStart,
        };
    }
}
