<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;

/** Codes of new orders: a letter for the kind and a number that has not been used. Call within a transaction. */
final class OrderNumbers
{
    private const LETTERS = ['make' => 'M', 'buy' => 'P', 'transfer' => 'T'];

    public static function next(string $kind): string
    {
        $letter = self::LETTERS[$kind];
        $key = "next_order.{$letter}";
        DB::table('settings')->where('key', $key)->lockForUpdate()->first();
        $number = Settings::get($key);
        if (! is_int($number)) {
            $used = DB::table('orders')->where('code', 'like', "{$letter}-%")->pluck('code')->map(fn ($code) => preg_match('/^\w-(\d{1,12})$/', $code, $part) === 1 ? (int) $part[1] : 0);
            $number = max(1000, (int) $used->max()) + 1;
        }
        while (DB::table('orders')->where('code', "{$letter}-{$number}")->exists()) {
            $number++;
        }
        Settings::set($key, $number + 1);

        return sprintf('%s-%04d', $letter, $number);
    }
}
