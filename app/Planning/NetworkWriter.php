<?php

declare(strict_types=1);

namespace App\Planning;

use Illuminate\Support\Facades\DB;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Network\Network;

/** Writes a network into the tables, all or nothing. */
final readonly class NetworkWriter
{
    private const ROWS_AT_ONCE = 400;

    /** What hangs on business data and goes with it, besides the tables of the network; those that refer to others first. */
    private const HANGS_ON_IT = [
        'missing_materials', 'accepted_shortages', 'resting_proposals', 'put_offs', 'studies', 'message_answers', 'drafts', 'commit_references', 'commits', 'conversions',
    ];

    /** What has happened with business data, which goes where all of them are taken away. */
    private const HAPPENED = [
        'movements', 'letters', 'mailbox', 'order_versions', 'purchase_requests', 'work_reports', 'schedules', 'idempotency_keys',
    ];

    private Dates $dates;

    public function __construct(private OrderTables $orders)
    {
        $this->dates = new Dates;
    }

    public static function isEmpty(): bool
    {
        return ! DB::table('items')->exists() && ! DB::table('sites')->exists();
    }

    /** Puts the network in the place of all business data; plans made of the old data go with it. */
    public function replace(Network $network): void
    {
        DB::transaction(function () use ($network): void {
            foreach ([...self::HANGS_ON_IT, ...$this->tables()] as $table) {
                DB::table($table)->delete();
            }
            DB::table('runs')->delete();
            foreach (Network::classes() as $class) {
                OrderTables::keeps($class) || $this->insert($class, $network);
            }
            $this->orders->fill($network);
        });
    }

    /** Takes all business data away, and what has happened with them; the journal stays. */
    public function clear(): void
    {
        DB::transaction(function (): void {
            foreach (self::HAPPENED as $table) {
                DB::table($table)->delete();
            }
            $this->replace(Network::of());
        });
    }

    /** @return list<string> of the network, those that refer to others first */
    private function tables(): array
    {
        $tables = array_reverse(array_map(fn (string $class) => Declaration::of($class)->file->table, Network::classes()));

        return array_values(array_unique(['allocations', 'order_operations', 'order_components', 'order_lines', 'orders', ...$tables]));
    }

    /** @param  class-string  $class */
    private function insert(string $class, Network $network): void
    {
        $map = TableMap::of($class, $this->dates);
        foreach (array_chunk($network->rows($class), self::ROWS_AT_ONCE) as $chunk) {
            DB::table($map->table)->insert(array_map($map->values(...), $chunk));
        }
    }
}
