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
        foreach (Network::classes() as $class) {
            if (! OrderTables::keeps($class)) {
                Declaration::of($class)->file->key === []
                    ? $this->replace($class, $before, $after)
                    : $this->writeDifference($class, $before, $after);
            }
        }
    }

    /** @param  class-string  $class  whose rows have a key */
    private function writeDifference(string $class, Network $before, Network $after): void
    {
        $map = TableMap::of($class, $this->dates);
        $declaration = Declaration::of($class);
        $written = [];
        foreach (RowDifference::of(
            $before->rows($class),
            $after->rows($class),
            fn (object $row) => (string) $declaration->keyOf($row),
        ) as [$old, $new]) {
            if ($new !== null) {
                $written[] = $map->isLocked() ? [...$map->values($new), 'version' => 1] : $map->values($new);
            } elseif ($old !== null) {
                DB::table($map->table)->where(array_intersect_key($map->values($old), array_flip($map->key)))->delete();
            }
        }
        foreach (array_chunk($written, self::ROWS_AT_ONCE) as $chunk) {
            $update = array_values(array_diff(array_keys($chunk[0]), [...$map->key, 'version']));
            DB::table($map->table)->upsert(
                $chunk,
                $map->key,
                $map->isLocked() ? [...$update, 'version' => DB::raw("{$map->table}.version + 1")] : $update,
            );
        }
    }

    /**
     * The order of rows without a key is the order in which they count, so that all are written.
     *
     * @param  class-string  $class
     */
    private function replace(string $class, Network $before, Network $after): void
    {
        $rows = $after->rows($class);
        if ($before->rows($class) == $rows) {
            return;
        }
        $map = TableMap::of($class, $this->dates);
        DB::table($map->table)->delete();
        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            DB::table($map->table)->insert(array_map($map->values(...), $chunk));
        }
    }
}
