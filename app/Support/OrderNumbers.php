<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;

/** Codes of new orders: a letter for the kind and a number that has not been used. Call within a transaction. */
final class OrderNumbers
{
    private const LETTERS = ['make' => 'M', 'buy' => 'P', 'transfer' => 'T', 'request' => 'Q'];

    /** Numbers begin above this where there are none yet. */
    private const FIRST = 1000;

    /**
     * @param  array<string, int>  $counts  how many codes are wanted, by kind of order; `request` for what is asked of purchasing
     * @return array<string, list<string>> codes by kind
     */
    public static function next(array $counts): array
    {
        if ($counts === []) {
            return [];
        }
        $keys = array_map(fn (string $kind) => 'next_order.'.self::LETTERS[$kind], array_combine(array_keys($counts), array_keys($counts)));
        $kept = DB::table('settings')->whereIn('key', array_values($keys))->pluck('value', 'key')->map(fn ($value) => (int) $value)->all();
        $codes = $next = [];
        foreach ($counts as $kind => $count) {
            $letter = self::LETTERS[$kind];
            $number = $kept[$keys[$kind]] ?? self::first($letter);
            $codes[$kind] = [];
            while (count($codes[$kind]) < $count) {
                $wanted = array_map(
                    fn (int $offset) => sprintf('%s-%04d', $letter, $number + $offset),
                    range(0, $count - count($codes[$kind]) - 1),
                );
                $codes[$kind] = [
                    ...$codes[$kind],
                    ...array_values(array_diff($wanted, self::used($wanted))),
                ];
                $number += count($wanted);
            }
            $next[] = ['key' => $keys[$kind], 'value' => (string) $number];
        }
        DB::table('settings')->upsert($next, ['key'], ['value']);

        return $codes;
    }

    /**
     * A line keeps its code where its order has another.
     *
     * @param  list<string>  $codes
     * @return list<string>
     */
    private static function used(array $codes): array
    {
        $found = DB::table('orders')->whereIn('code', $codes)->pluck('code')->merge(DB::table('order_lines')->whereIn('code', $codes)->pluck('code'));

        return array_values($found->map(Stored::text(...))->all());
    }

    private static function first(string $letter): int
    {
        $used = DB::table('orders')->where('code', 'like', "{$letter}-%")->pluck('code')
            ->map(fn ($code) => preg_match('/^\w-(\d{1,12})$/', $code, $part) === 1 ? (int) $part[1] : 0);

        return max(self::FIRST, (int) $used->max()) + 1;
    }
}
