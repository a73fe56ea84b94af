<?php

declare(strict_types=1);

namespace App\Planning;

use Yposta\Core\Calendar\Day;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Study\CancelOrder;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\MoveOrder;

/** The change that a message asks for. */
final class MessageChange
{
    /** Null where that is for a person to think about. */
    public static function of(string $code, string $reference, ?string $to): ?Change
    {
        $order = Reference::parse($reference);

        return match (true) {
            $order->kind !== ReferenceKind::Order => null,
            $code === MessageCode::Cancel->value => new CancelOrder($order->name),
            in_array($code, [MessageCode::BringIn->value, MessageCode::PushOut->value], true)
                && $to !== null => new MoveOrder($order->name, Day::parse(substr($to, 0, 10))),
            default => null,
        };
    }
}
