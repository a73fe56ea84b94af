<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Supply;

/** Of what a supply serves, that which is wanted first. Safety stock wants nothing by a day. */
final class FirstNeed
{
    /** @return array{int, Demand}|null the day, of a sales line also one that is past; null where nothing has one */
    public static function of(PegIndex $pegs, Supply $supply): ?array
    {
        $first = null;
        foreach ($pegs->servedBy($supply) as $peg) {
            $demand = $peg->demand;
            $wanted = $demand->kind->isOrdered() ? $demand->originalDate ?? $demand->date : $demand->date;
            if ($wanted !== null && $demand->kind !== DemandKind::Safety && ($first === null || $wanted < $first[0])) {
                $first = [$wanted, $demand];
            }
        }

        return $first;
    }
}
