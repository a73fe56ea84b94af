<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Structure\Structure;

/** A name of a demand that stays the same from plan to plan, though proposals get other numbers. */
final class DemandIdentity
{
    public static function of(Demand $demand, Structure $structure): string
    {
        $for = $demand->for;
        if ($for !== null && $for->isProposal()) {
            return implode(
                ':',
                [
                    $demand->kind->value, 'proposal', $structure->points[$for->point]->label(), $for->due, $for->qty,
                    $demand->line, $demand->qty,
                ],
            );
        }

        return $demand->reference().($demand->kind === DemandKind::Forecast ? "@{$structure->points[$demand->point]->label()}" : '');
    }
}
