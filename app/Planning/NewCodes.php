<?php

declare(strict_types=1);

namespace App\Planning;

use Yposta\Core\Network\Network;
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
        $codes = [];
        $number = 0;
        foreach (array_keys(self::made($changes)) as $code) {
            do {
                $number++;
            } while (isset($network->orders["new:{$number}"]));
            $codes[$code] = "new:{$number}";
        }

        return self::renamed($changes, $codes);
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
            if ($change instanceof PutOrder && str_starts_with($change->order, 'new:')) {
                $made[$change->order] = $change;
            } elseif ($change instanceof SplitOrder && str_starts_with($change->rest, 'new:')) {
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
        return $codes === [] ? $changes : array_map(fn (Change $change) => ChangeCodec::decode(self::inFields(ChangeCodec::encode($change), $codes)), $changes);
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
                is_string($value) && str_contains($value, 'new:') => preg_replace_callback('#^((?:order|out|part):)?(new:\d+)(/.*)?$#', fn (array $part) => $part[1].($codes[$part[2]] ?? $part[2]).($part[3] ?? ''), $value),
                default => $value,
            };
        }

        return $fields;
    }
}
