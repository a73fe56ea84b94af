<?php

declare(strict_types=1);

namespace App\Planning;

use Yposta\Core\Network\Network;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Study\SplitOrder;

/** Codes of orders that a draft would make: `new:N` until they are written, then the next of their kind. */
final class NewCodes
{
    /**
     * Changes that make orders under codes which are free in a network.
     *
     * @param  list<Change>  $changes
     * @return list<Change>
     */
    public static function fresh(array $changes, Network $network): array
    {
        $made = array_keys(self::made($changes));

        return self::renamed($changes, array_combine($made, NewOrderCode::free($network->orders, count($made))));
    }

    /**
     * The codes of orders that changes would make, each with the order that it would be split from, or null.
     *
     * @param  list<Change>  $changes
     * @return array<string, PutOrder|SplitOrder>
     */
    public static function made(array $changes): array
    {
        $made = [];
        foreach ($changes as $change) {
            if ($change instanceof PutOrder && NewOrderCode::is($change->order->code)) {
                $made[$change->order->code] = $change;
            } elseif ($change instanceof SplitOrder && NewOrderCode::is($change->rest)) {
                $made[$change->rest] = $change;
            }
        }

        return $made;
    }

    /**
     * @param  list<Change>  $changes
     * @param  array<string, string>  $codes  new code by old one
     * @return list<Change>
     */
    public static function renamed(array $changes, array $codes): array
    {
        return $codes === []
            ? $changes
            : array_map(fn (Change $change) => ChangeCodec::decode(self::inFields(ChangeCodec::encode($change), $codes)), $changes);
    }

    /**
     * @param  array<mixed>  $fields
     * @param  array<string, string>  $codes
     * @return array<mixed>
     */
    private static function inFields(array $fields, array $codes): array
    {
        foreach ($fields as $name => $value) {
            $fields[$name] = match (true) {
                is_array($value) => self::inFields($value, $codes),
                is_string($value) => $codes[$value] ?? (string) (Reference::tryParse($value)?->renamed($codes) ?? $value),
                default => $value,
            };
        }

        return $fields;
    }
}
