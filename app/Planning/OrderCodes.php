<?php

declare(strict_types=1);

namespace App\Planning;

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

    /** @return array{string, int} the order and the number of a line that does not exist yet */
    public static function parse(string $line): array
    {
        return preg_match('/^(.+)\.(\d{1,4})$/D', $line, $parts) === 1 ? [$parts[1], (int) $parts[2]] : [$line, 1];
    }
}
