<?php

declare(strict_types=1);

namespace App\Planning;

use Illuminate\Support\Facades\DB;
use PDO;
use PDOStatement;

/**
 * Many rows into one table through one prepared statement, in pieces between which others may write. Call {@see finish()} at the end.
 */
final class BulkInsert
{
    /** SQLite takes so many values in a statement in every version in use. */
    private const MOST_VALUES = 30_000;

    /** Statements to a piece. */
    private const PIECE = 8;

    private readonly PDO $pdo;

    private readonly int $rowsAtOnce;

    private ?PDOStatement $statement = null;

    /** @var list<list<mixed>> values of whole statements */
    private array $full = [];

    /** @var list<mixed> */
    private array $values = [];

    private int $rows = 0;

    /** @param  non-empty-list<string>  $columns */
    public function __construct(private readonly string $table, private readonly array $columns, int $rowsAtOnce)
    {
        $this->pdo = DB::connection()->getPdo();
        $this->rowsAtOnce = min($rowsAtOnce, intdiv(self::MOST_VALUES, count($columns)));
    }

    /** @param  list<string|int|null>  $row  in the order of the columns */
    public function add(array $row): void
    {
        array_push($this->values, ...$row);
        if (++$this->rows === $this->rowsAtOnce) {
            $this->full[] = $this->values;
            $this->values = [];
            $this->rows = 0;
            count($this->full) === self::PIECE && DB::transaction($this->write(...));
        }
    }

    private function write(): void
    {
        foreach ($this->full as $values) {
            $this->statement ??= $this->prepare($this->rowsAtOnce);
            $this->statement->execute($values);
        }
        $this->full = [];
    }

    public function finish(): void
    {
        DB::transaction(function (): void {
            $this->write();
            if ($this->rows > 0) {
                $this->prepare($this->rows)->execute($this->values);
                $this->values = [];
                $this->rows = 0;
            }
        });
    }

    private function prepare(int $rows): PDOStatement
    {
        $row = '('.implode(',', array_fill(0, count($this->columns), '?')).')';
        $columns = implode(',', array_map(fn (string $column) => '"'.$column.'"', $this->columns));

        return $this->pdo->prepare("insert into \"{$this->table}\" ({$columns}) values ".implode(',', array_fill(0, $rows, $row)));
    }
}
