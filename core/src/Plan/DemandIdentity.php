<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Structure\Point;
use Yposta\Core\Structure\Structure;

/** A name of a demand that stays the same from plan to plan, though proposals get other numbers. */
final class DemandIdentity
{
    public static function of(Demand $demand, Structure $structure): string
    {
        return self::named($demand, fn (int $point) => $structure->points[$point]->label());
    }

    /** @param  callable(int): string  $label  of a point, as {@see Point::label()} */
    public static function named(Demand $demand, callable $label): string
    {
        $for = $demand->for;
        if ($for !== null && $for->isProposal()) {
            return implode(
                ':',
                [
                    $demand->kind->value, 'proposal', $label($for->point), $for->due, $for->qty,
                    $demand->line, $demand->qty,
                ],
            );
        }

        return $demand->reference().($demand->kind === DemandKind::Forecast ? "@{$label($demand->point)}" : '');
    }
}
