<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;

/**
 * Whose turn it is to write what the plan is made of: one after the other, so that what was read is still so when it is written. With
 * SQLite a transaction has it from its beginning; elsewhere it is a row that is locked.
 */
final class WriteTurn
{
    private const KEY = 'write_turn';

    /** Waits for the turn, and keeps it to the end of the transaction. What was read before may be another now. */
    public static function take(): void
    {
        $row = fn () => DB::table('settings')->where('key', self::KEY)->lockForUpdate()->first();
        if ($row() === null) {
            DB::table('settings')->insertOrIgnore(['key' => self::KEY, 'value' => 'true']);
            $row();
        }
    }
}
