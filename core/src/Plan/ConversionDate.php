<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Network\OrderKind;
use Yposta\Core\Run\Supply;

/**
 * The due date that an order takes when a proposal is converted, as a day number.
 *
 * What is bought or moved and can no longer be there in time gets the date on which it can, so that the plan does not show an
 * order that nobody can keep. Where that is so far after the need that the next run would not bring the order in, and would propose
 * the same again, the wanted date stays. A production order keeps its date: a firm order that starts late is projected late.
 */
final class ConversionDate
{
    /**
     * @param  int|null  $earliest  when it can be there, where it is not ordered as proposed: a day number
     * @param  OrderKind|null  $as  what it becomes, where that is not what is proposed
     */
    public static function of(Supply $proposal, int $bringInDays, ?int $earliest = null, ?OrderKind $as = null): int
    {
        $possible = max($proposal->due, $earliest ?? $proposal->earliest);

        return ($as ?? $proposal->type) === OrderKind::Make || $possible > $proposal->due + $bringInDays ? $proposal->due : $possible;
    }
}
