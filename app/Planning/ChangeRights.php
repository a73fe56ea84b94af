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
use Yposta\Core\Study\OfOrder;
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
    public static function may(User $user, Change $change, Network $network): bool
    {
        return $user->can(self::needed($change, $network));
    }

    /** The permission to make and change orders of a kind. */
    public static function ofKind(OrderKind $kind): string
    {
        return match ($kind) {
            OrderKind::Make => Roles::MAKE,
            OrderKind::Buy => Roles::BUY,
            OrderKind::Transfer => Roles::TRANSFER,
        };
    }

    private static function needed(Change $change, Network $network): string
    {
        $order = $change instanceof OfOrder ? $network->orders[$change->orderCode()] ?? null : null;

        return match (true) {
            $change instanceof PutOrder => self::ofKind($change->order->kind),
            $change instanceof HoldSupply, $change instanceof FreeSupply, $change instanceof PutAllocations => Roles::HOLD,
            $change instanceof ChangeSalesLine, $change instanceof ScaleDemand, $change instanceof PutDemand => Roles::FORECAST,
            $change instanceof ChangeStock, $change instanceof ChangePlanning, $change instanceof PutPlanning,
            $change instanceof WorkDays, $change instanceof PutDays => Roles::DATA,
            $order !== null => self::ofKind($order->kind),
            default => Roles::DATA,
        };
    }
}
