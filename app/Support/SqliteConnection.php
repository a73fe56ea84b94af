<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\SQLiteConnection as Base;
use PDOException;

/**
 * SQLite with one writer at a time: a transaction takes the right to write when it begins, and waits for it there. One that reads first and
 * writes later would be refused at once when another has written in between.
 */
final class SqliteConnection extends Base
{
    /** Writes nothing, and takes the right to write all the same. */
    private const LOCK = 'update "settings" set "key" = "key" where 0';

    private bool $reads = false;

    /**
     * Reads everything as it stands at one moment, and keeps nobody from writing.
     *
     * @template T
     *
     * @param  callable(): T  $read
     * @return T
     */
    public function reading(callable $read): mixed
    {
        $this->reads = true;
        try {
            return $this->transaction(fn () => $read());
        } finally {
            $this->reads = false;
        }
    }

    protected function executeBeginTransactionStatement(): void
    {
        $pdo = $this->getPdo();
        $pdo->beginTransaction();
        if ($this->reads) {
            return;
        }
        try {
            $pdo->exec(self::LOCK);
        } catch (PDOException $trouble) {
            if (! str_contains($trouble->getMessage(), 'no such table')) { // there is nothing to keep apart before the tables are made
                $pdo->rollBack();
                throw $trouble;
            }
        }
    }
}
