<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\User;
use App\Support\Roles;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangePlanning;
use Yposta\Core\Study\ChangeSalesLine;
use Yposta\Core\Study\ChangeStock;
use Yposta\Core\Study\FreeSupply;
use Yposta\Core\Study\HoldSupply;
use Yposta\Core\Study\PutAllocations;
use Yposta\Core\Study\PutDays;
use Yposta\Core\Study\PutDemand;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Study\PutPlanning;
use Yposta\Core\Study\ScaleDemand;
use Yposta\Core\Study\WorkDays;

/** Who may write which change into the live data. */
final class ChangeRights
{
    private const OF_KIND = [OrderKind::Make->value => Roles::MAKE, OrderKind::Buy->value => Roles::BUY, OrderKind::Transfer->value => Roles::TRANSFER];

    public static function may(User $user, Change $change, Network $network): bool
    {
        return $user->can(self::needed($change, $network));
    }

    private static function needed(Change $change, Network $network): string
    {
        return match (true) {
            $change instanceof PutOrder => self::OF_KIND[$change->kind] ?? Roles::DATA,
            $change instanceof HoldSupply, $change instanceof FreeSupply, $change instanceof PutAllocations => Roles::HOLD,
            $change instanceof ChangeSalesLine, $change instanceof ScaleDemand, $change instanceof PutDemand => Roles::FORECAST,
            $change instanceof ChangeStock, $change instanceof ChangePlanning, $change instanceof PutPlanning, $change instanceof WorkDays, $change instanceof PutDays => Roles::DATA,
            default => self::OF_KIND[$network->orders[self::orderOf($change)]->kind->value ?? ''] ?? Roles::DATA,
        };
    }

    private static function orderOf(Change $change): string
    {
        return (string) (get_object_vars($change)['order'] ?? '');
    }
}
