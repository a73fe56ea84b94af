<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;

/** Reads the data as they stand at one moment, whoever writes meanwhile. */
final class Snapshot
{
    /**
     * @template T
     *
     * @param  callable(): T  $read
     * @return T
     */
    public static function read(callable $read): mixed
    {
        $connection = DB::connection();

        return $connection instanceof SqliteConnection ? $connection->reading($read) : $connection->transaction(fn () => $read());
    }
}
