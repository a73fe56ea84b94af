<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\RowDifference;
use Yposta\Core\Study\ProposalOrigin;

/**
 * Writes into the tables what changes have made of a network: only the rows that differ, each with its lock moved on, and in bulk. The one
 * writer of orders.
 *
 * Call within a transaction in which the network before was read.
 */
final readonly class ChangeWriter
{
    private const ROWS_AT_ONCE = 400;

    private Dates $dates;

    public function __construct(private OrderTables $orders)
    {
        $this->dates = new Dates;
    }

    /** @param  array<string, ProposalOrigin>  $origins  the proposals that new orders are made of, by code of the order */
    public function write(Network $before, Network $after, array $origins, User $by): void
    {
        $this->orders->write($before, $after, $origins, $by);
        $new = [];
        // what names others goes before them, and comes after them
        foreach (array_reverse(Network::classes()) as $class) {
            if (! OrderTables::keeps($class) && ! $before->isSame($after, $class)) {
                $new[$class] = Declaration::of($class)->file->key === []
                    ? $this->takeAwayUnkeyed($class, $before, $after)
                    : $this->takeAway($class, $before, $after);
            }
        }
        foreach (array_reverse($new) as $class => $rows) {
            $this->put($class, $rows);
        }
    }

    /**
     * @param  class-string  $class  whose rows have a key
     * @return list<object> the rows to be written
     */
    private function takeAway(string $class, Network $before, Network $after): array
    {
        $map = TableMap::of($class, $this->dates);
        $declaration = Declaration::of($class);
        $rows = [];
        foreach (RowDifference::of(
            $before->rows($class),
            $after->rows($class),
            fn (object $row) => (string) $declaration->keyOf($row),
        ) as [$old, $new]) {
            if ($old !== null && ($new === null || $this->hasGap($map, $old))) {
                DB::table($map->table)->where($this->key($map, $old))->delete();
            }
            $new === null || $rows[] = $new;
        }

        return $rows;
    }

    /**
     * The order of rows without a key is the order in which they count. Where the others stay as they are, those that went are taken away
     * and those that came put behind; else all are written.
     *
     * @param  class-string  $class
     * @return list<object> the rows to be written
     */
    private function takeAwayUnkeyed(string $class, Network $before, Network $after): array
    {
        $rows = $after->rows($class);
        if ($before->rows($class) == $rows) {
            return [];
        }
        $known = array_fill_keys(array_map(spl_object_id(...), $before->rows($class)), true);
        $left = array_fill_keys(array_map(spl_object_id(...), $rows), true);
        $isLeft = fn (object $row): bool => isset($left[spl_object_id($row)]);
        $stay = array_values(array_filter($before->rows($class), $isLeft));
        $gone = array_values(array_filter($before->rows($class), fn (object $row) => ! $isLeft($row)));
        $map = TableMap::of($class, $this->dates);
        $isBehind = count($gone) <= self::ROWS_AT_ONCE && $stay === array_slice($rows, 0, count($stay));
        foreach ($isBehind ? $gone : [] as $row) {
            // two that say the same cannot be told apart
            $isBehind = DB::table($map->table)->where($map->values($row))->delete() === 1 && $isBehind;
        }
        if ($isBehind) {
            return array_values(array_filter($rows, fn (object $row) => ! isset($known[spl_object_id($row)])));
        }
        DB::table($map->table)->delete();

        return $rows;
    }

    /**
     * @param  class-string  $class
     * @param  list<object>  $rows
     */
    private function put(string $class, array $rows): void
    {
        $map = TableMap::of($class, $this->dates);
        $values = fn (object $row): array => $map->isLocked() ? [...$map->values($row), 'version' => 1] : $map->values($row);
        $isNew = fn (object $row): bool => $map->key === [] || $this->hasGap($map, $row);
        foreach (array_chunk(array_filter($rows, $isNew), self::ROWS_AT_ONCE) as $chunk) {
            DB::table($map->table)->insert(array_map($values, $chunk));
        }
        foreach (array_chunk(array_filter($rows, fn (object $row) => ! $isNew($row)), self::ROWS_AT_ONCE) as $chunk) {
            $written = array_map($values, $chunk);
            $update = array_values(array_diff(array_keys($written[0]), [...$map->key, 'version']));
            DB::table($map->table)->upsert(
                $written,
                $map->key,
                $map->isLocked() ? [...$update, 'version' => DB::raw("{$map->table}.version + 1")] : $update,
            );
        }
    }

    /**
     * @param  TableMap<object>  $map
     * @return array<string, mixed> its key, by column
     */
    private function key(TableMap $map, object $row): array
    {
        return array_intersect_key($map->values($row), array_flip($map->key));
    }

    /**
     * Whether a part of its key is empty: a database takes no two such rows for the same.
     *
     * @param  TableMap<object>  $map
     */
    private function hasGap(TableMap $map, object $row): bool
    {
        return in_array(null, $this->key($map, $row), true);
    }
}
