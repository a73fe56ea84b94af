<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\SalesStart;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;

/** What a new sales line begins with: codes that are free, and the customers that are known. */
final class NewSalesLine
{
    /** Customers that are offered while one types. */
    private const CUSTOMERS = 300;

    /** @param  string  $order  that it belongs to; empty for a new one */
    public static function start(string $order): SalesStart
    {
        return new SalesStart(
            order: $order === '' ? self::nextOrder() : $order, line: $order === '' ? '1' : self::nextLine($order),
            customers: array_values(DB::table('sales_lines')->where('customer', '<>', '')->distinct()->orderBy('customer')->limit(self::CUSTOMERS)
                ->pluck('customer')->map(Stored::text(...))->all()),
        );
    }

    /** One more than the highest number behind what the newest order begins with. */
    private static function nextOrder(): string
    {
        $newest = Stored::text(DB::table('sales_lines')->orderByDesc('id')->value('order_code') ?? 'SO-1000');
        $start = (string) preg_replace('/\d+$/D', '', $newest);
        $highest = 0;
        $alike = DB::table('sales_lines')->whereRaw('substr(order_code, 1, ?) = ?', [mb_strlen($start), $start])->distinct()->pluck('order_code');
        foreach ($alike as $code) {
            $number = substr(Stored::text($code), strlen($start));
            $highest = ctype_digit($number) && strlen($number) < 15 ? max($highest, (int) $number) : $highest;
        }

        return $start.($highest + 1);
    }

    private static function nextLine(string $order): string
    {
        $numbers = DB::table('sales_lines')->where('order_code', $order)->pluck('line')->filter(fn ($line) => ctype_digit(Stored::text($line)));

        return (string) (Stored::int($numbers->map(fn ($line) => (int) $line)->max() ?? 0) + 1);
    }
}
