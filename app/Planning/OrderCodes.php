<?php

declare(strict_types=1);

namespace App\Planning;

use Yposta\Core\Network\OrderKind;

/** Codes of orders and their lines: a single line is called as its order, several carry the order's code and a number behind a dot. */
final class OrderCodes
{
    /**
     * @param  int  $number  of the line, from 1
     * @param  int  $of  how many lines the order has
     */
    public static function line(string $order, int $number, int $of): string
    {
        return $of === 1 ? $order : "{$order}.{$number}";
    }

    /** What purchases that share an order have in common, the supplier and the site they are for; null for what has an order of its own. */
    public static function together(OrderKind $kind, ?string $supplier, string $site): ?string
    {
        return $kind === OrderKind::Buy && $supplier !== null ? "{$supplier}\x1f{$site}" : null;
    }

    /** @return array{string, int} the order and the number of a line that does not exist yet */
    public static function parse(string $line): array
    {
        return preg_match('/^(.+)\.(\d{1,4})$/D', $line, $parts) === 1 ? [$parts[1], (int) $parts[2]] : [$line, 1];
    }
}
