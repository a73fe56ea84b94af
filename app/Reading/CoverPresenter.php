<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\Dates;
use App\Reading\Shapes\CoverKind;
use App\Reading\Shapes\Strip;
use App\Reading\Shapes\StripPart;
use Yposta\Core\Plan\Cover;
use Yposta\Core\Quantity\Quantity;

/** A cover as the strip that shows it, in parts of a thousand. */
final class CoverPresenter
{
    public static function of(Cover $cover, string $unit, Dates $dates): Strip
    {
        $parts = [];
        foreach ([
            'stock' => $cover->stock, 'order' => $cover->order, 'proposal' => $cover->proposal, 'late' => $cover->late,
            'nothing' => $cover->nothing,
        ] as $kind => $qty) {
            if ($qty > 0) {
                $parts[] = new StripPart(CoverKind::from($kind), max(1, (int) round($qty / $cover->wanted * 1000)), Quantity::format($qty));
            }
        }

        return new Strip($parts, $dates->isoOrNull($cover->complete), $cover->tooLate, $unit);
    }
}
