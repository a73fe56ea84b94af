<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\User;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderOperation;
use Yposta\Core\Network\PurchaseDocument;
use Yposta\Core\Network\PurchasePrices;
use Yposta\Core\Network\RowDifference;
use Yposta\Core\Study\ProposalOrigin;

/**
 * Orders in their tables: what the plan sees as an open order is a line there, and lines for one supplier and site share an order. Writes
 * in bulk: the number of queries does not grow with the number of orders.
 */
final readonly class OrderTables
{
    private const ROWS_AT_ONCE = 400;

    /** Columns of a line that belong to its order. */
    private const OF_ORDER = ['kind' => true, 'status' => true, 'site_code' => true, 'supplier_code' => true];

    private Dates $dates;

    public function __construct()
    {
        $this->dates = new Dates;
    }

    /** @param  class-string  $class */
    public static function keeps(string $class): bool
    {
        return in_array($class, [OpenOrder::class, PurchaseDocument::class, OrderComponent::class, OrderOperation::class], true);
    }

    /** Fills empty tables; an order has one line, or those of its document. */
    public function fill(Network $network): void
    {
        $map = TableMap::of(OpenOrder::class, $this->dates);
        $documents = $numbers = $last = [];
        foreach ($network->purchaseDocuments as $document) {
            $documents[$document->order] = $document;
            $numbers[$document->order] = $last[$document->code()] = ($last[$document->code()] ?? 0) + 1;
        }
        $now = now();
        $heads = $lines = [];
        foreach ($network->rows(OpenOrder::class) as $order) {
            $row = $map->values($order);
            $code = isset($documents[$order->code]) ? $documents[$order->code]->code() : $order->code;
            $heads[$code] ??= [
                ...array_intersect_key($row, self::OF_ORDER), 'code' => $code, 'is_request' => $documents[$order->code]->request ?? false,
                'created_at' => $now, 'updated_at' => $now,
            ];
            $lines[] = [$code, [...array_diff_key($row, self::OF_ORDER), 'number' => $numbers[$order->code] ?? 1]];
        }
        $this->insert('orders', array_values($heads));
        $ids = DB::table('orders')->pluck('id', 'code');
        $this->insert('order_lines', array_map(fn (array $line) => [...$line[1], 'order_id' => $ids[$line[0]]], $lines));
        $lines = DB::table('order_lines')->pluck('id', 'code')->map(Stored::int(...))->all();
        $this->insertBelow(OrderComponent::class, $network->components, $lines);
        $this->insertBelow(OrderOperation::class, $network->orderOperations, $lines);
    }

    /**
     * Writes what differs between two networks.
     *
     * @param  array<string, ProposalOrigin>  $origins  the proposals that new orders are made of, by code of the order
     */
    public function write(Network $before, Network $after, array $origins, User $by): void
    {
        $orders = RowDifference::of($before->orders, $after->orders, fn (OpenOrder $order) => $order->code);
        $components = $this->ordersWhoseRowsDiffer($before, $after);
        $operations = array_intersect_key(self::ordersWhoseOperationsDiffer($before, $after), $after->orders);
        $codes = array_map(strval(...), array_keys($orders + $components + $operations));
        if ($codes === []) {
            return;
        }
        $lines = $this->lines($codes);
        $gone = $new = $changed = [];
        foreach ($orders as $code => [$old, $order]) {
            match (true) {
                $order === null => $gone[] = (string) $code,
                isset($lines[$code]) => $changed[] = $order,
                default => $new[] = $order,
            };
        }
        $this->cancel(array_intersect_key($lines, array_flip($gone)));
        $this->headAgain(array_filter([...$changed, ...$new], fn (OpenOrder $order) => ! isset($before->orders[$order->code])));
        $this->update($changed, $lines, $before);
        $this->buyFrom($changed, $lines, $before, $after);
        $this->create($new, $after, $by);
        $new === [] || $lines = $this->lines($codes);
        $codesOfNew = array_fill_keys(array_map(fn (OpenOrder $order) => $order->code, $new), true);
        $this->dropRows(array_intersect_key($lines, array_diff_key($components, $codesOfNew), $after->orders));
        $this->insertRows(array_intersect_key($lines, $components + $codesOfNew, $after->orders), $after);
        $this->replaceOperations(array_intersect_key($lines, $operations), $after);
        $this->noteOrigins(array_intersect_key($origins, $orders), $lines, $by);
        $this->settle(array_values(array_unique(array_map(
            fn (stdClass $line) => Stored::int($line->order_id),
            array_diff_key($lines, $codesOfNew),
        ))));
    }

    /** @return array<string, true> by code */
    private function ordersWhoseRowsDiffer(Network $before, Network $after): array
    {
        $codes = [];
        foreach (RowDifference::of(
            $before->components,
            $after->components,
            fn (OrderComponent $row) => "{$row->order}\x1f{$row->line}",
        ) as [$old, $new]) {
            $codes[$new->order ?? $old->order ?? ''] = true;
        }

        return $codes;
    }

    /** @return array<string, true> by code */
    private static function ordersWhoseOperationsDiffer(Network $before, Network $after): array
    {
        $codes = [];
        foreach (RowDifference::of(
            $before->orderOperations,
            $after->orderOperations,
            fn (OrderOperation $row) => "{$row->order}\x1f{$row->op}",
        ) as [$old, $new]) {
            $codes[$new->order ?? $old->order ?? ''] = true;
        }

        return $codes;
    }

    /**
     * @param  list<string>  $codes
     * @return array<string, stdClass> by code
     */
    private function lines(array $codes): array
    {
        $found = [];
        foreach (array_chunk($codes, self::ROWS_AT_ONCE) as $chunk) {
            foreach (DB::table('order_lines')->whereIn('code', $chunk)->get() as $line) {
                $found[Stored::text($line->code)] = $line;
            }
        }

        return $found;
    }

    /** @param  array<string, stdClass>  $lines */
    private function cancel(array $lines): void
    {
        foreach (array_chunk(array_column($lines, 'id'), self::ROWS_AT_ONCE) as $ids) {
            DB::table('order_lines')->whereIn('id', $ids)->update(['cancelled' => true, 'version' => DB::raw('version + 1')]);
            DB::table('conversions')->whereIn('order_line_id', $ids)->delete(); // what they were made of is needed again
        }
    }

    /**
     * An order that was cancelled and comes again is what it says now.
     *
     * @param  array<OpenOrder>  $orders
     */
    private function headAgain(array $orders): void
    {
        $map = TableMap::of(OpenOrder::class, $this->dates);
        $heads = [];
        foreach ($orders as $order) {
            $heads[OrderCodes::parse($order->code)[0]] = array_intersect_key($map->values($order), self::OF_ORDER);
        }
        foreach (array_chunk(array_map(strval(...), array_keys($heads)), self::ROWS_AT_ONCE) as $codes) {
            foreach (DB::table('orders')->whereIn('code', $codes)->where('status', 'cancelled')->pluck('code') as $code) {
                DB::table('orders')->where('code', $code)->update($heads[Stored::text($code)]);
            }
        }
    }

    /**
     * @param  list<OpenOrder>  $orders
     * @param  array<string, stdClass>  $lines
     */
    private function update(array $orders, array $lines, Network $before): void
    {
        $map = TableMap::of(OpenOrder::class, $this->dates);
        $rows = $states = [];
        foreach ($orders as $order) {
            $line = $lines[$order->code];
            $values = array_diff_key($map->values($order), self::OF_ORDER);
            $rows[] = [
                ...$values, 'order_id' => $line->order_id, 'number' => $line->number, 'cancelled' => false,
                'version' => Stored::int($line->version) + 1,
            ];
            ($before->orders[$order->code]->status ?? null) === $order->status
                || $states[$order->status->value][] = Stored::int($line->order_id);
        }
        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            DB::table('order_lines')->upsert(
                $chunk,
                ['code'],
                array_values(array_diff(array_keys($chunk[0]), ['code', 'order_id', 'number'])),
            );
        }
        foreach ($states as $state => $ids) {
            // what is sent is no longer only asked for
            DB::table('orders')->whereIn('id', array_unique($ids))->update(['status' => $state, ...($state === 'firm' ? [] : ['is_request' => false])]);
        }
    }

    /**
     * A line that is bought from somebody else has an order of its own then; its price is his for that quantity.
     *
     * @param  list<OpenOrder>  $orders
     * @param  array<string, stdClass>  $lines
     */
    private function buyFrom(array $orders, array $lines, Network $before, Network $after): void
    {
        $prices = PurchasePrices::of($after);
        foreach ($orders as $order) {
            $old = $before->orders[$order->code] ?? null;
            $line = $lines[$order->code];
            if ($old === null || $old->supplier === $order->supplier) {
                $old === null || $this->reprice($order, $old, $line, $prices);

                continue;
            }
            $isAlone = DB::table('order_lines')->where('order_id', $line->order_id)->count() === 1;
            $isAlone || PurchaseTables::alone($line, DB::table('orders')->where('id', $line->order_id)->firstOrFail(), []);
            DB::table('orders')->whereIn('id', DB::table('order_lines')->where('id', $line->id)->select('order_id'))
                ->update(['supplier_code' => $order->supplier]);
            DB::table('order_lines')->where('id', $line->id)
                ->update(['price' => $prices->price($order->item, $order->supplier, $order->qty)]);
        }
    }

    /** The price follows the quantity, as long as nobody typed another. */
    private function reprice(OpenOrder $order, OpenOrder $old, stdClass $line, PurchasePrices $prices): void
    {
        $was = $prices->price($order->item, $order->supplier, $old->qty);
        $is = $prices->price($order->item, $order->supplier, $order->qty);
        $was === $is || $line->price === null || Stored::int($line->price) !== $was
            || DB::table('order_lines')->where('id', $line->id)->update(['price' => $is]);
    }

    /** @param  list<OpenOrder>  $orders */
    private function create(array $orders, Network $after, User $by): void
    {
        if ($orders === []) {
            return;
        }
        $map = TableMap::of(OpenOrder::class, $this->dates);
        $prices = PurchasePrices::of($after);
        $heads = $lines = [];
        $now = now();
        foreach ($orders as $order) {
            [$code, $number] = OrderCodes::parse($order->code);
            $values = $map->values($order);
            $heads[$code] ??= [
                ...array_intersect_key($values, self::OF_ORDER), 'code' => $code, 'created_by' => $by->id, 'version' => 1,
                'created_at' => $now, 'updated_at' => $now,
            ];
            $price = $prices->price($order->item, $order->supplier, $order->qty);
            $lines[] = [
                $code,
                [...array_diff_key($values, self::OF_ORDER), 'number' => $number, 'price' => $price, 'version' => 1, 'cancelled' => false],
            ];
        }
        foreach (array_chunk(array_values($heads), self::ROWS_AT_ONCE) as $chunk) {
            DB::table('orders')->insertOrIgnore($chunk); // an order that has other lines is there
        }
        $ids = DB::table('orders')->whereIn('code', array_keys($heads))->pluck('id', 'code');
        $this->insert('order_lines', array_map(fn (array $line) => [...$line[1], 'order_id' => $ids[$line[0]]], $lines));
    }

    /** @param  array<string, stdClass>  $lines  whose component rows are dropped */
    private function dropRows(array $lines): void
    {
        foreach (array_chunk(array_column($lines, 'id'), self::ROWS_AT_ONCE) as $ids) {
            DB::table('order_components')->whereIn('order_line_id', $ids)->delete();
        }
    }

    /** @param  array<string, stdClass>  $lines  that get the operation rows that they have in a network */
    private function replaceOperations(array $lines, Network $after): void
    {
        $ids = array_map(fn (stdClass $line) => Stored::int($line->id), $lines);
        foreach (array_chunk(array_values($ids), self::ROWS_AT_ONCE) as $chunk) {
            DB::table('order_operations')->whereIn('order_line_id', $chunk)->delete();
        }
        $this->insertBelow(
            OrderOperation::class,
            array_values(array_filter($after->orderOperations, fn (OrderOperation $row) => isset($ids[$row->order]))),
            $ids,
        );
    }

    /** @param  array<string, stdClass>  $lines  that get the component rows that they have in a network */
    private function insertRows(array $lines, Network $after): void
    {
        $ids = array_map(fn (stdClass $line) => Stored::int($line->id), $lines);
        $this->insertBelow(
            OrderComponent::class,
            array_values(array_filter($after->components, fn (OrderComponent $row) => isset($ids[$row->order]))),
            $ids,
        );
    }

    /**
     * @param  class-string<OrderComponent>|class-string<OrderOperation>  $class
     * @param  list<OrderComponent>|list<OrderOperation>  $rows
     * @param  array<int|string>  $lines  ids of lines by code
     */
    private function insertBelow(string $class, array $rows, array $lines): void
    {
        $map = TableMap::of($class, $this->dates);
        $this->insert(
            $map->table,
            array_map(
                fn (object $row) => ['order_line_id' => $lines[$row->order], ...array_diff_key($map->values($row), ['order_code' => true])],
                $rows,
            ),
        );
    }

    /**
     * @param  array<string, ProposalOrigin>  $origins
     * @param  array<string, stdClass>  $lines
     */
    private function noteOrigins(array $origins, array $lines, User $by): void
    {
        $rows = [];
        foreach ($origins as $code => $origin) {
            $rows[] = [
                'run_id' => $origin->run, 'proposal' => $origin->number, 'order_line_id' => Stored::int($lines[$code]->id),
                'user_id' => $by->id, 'created_at' => now(),
            ];
        }
        $this->insert('conversions', $rows);
        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            // whole numbers, written out: a database that looks at types would take placeholders here for texts
            $cases = fn (string $of): string => implode(' ', array_map(
                fn (array $row) => 'when '.$row['order_line_id'].' then '.($of === 'run_id' ? $row['run_id'] : $row['proposal']),
                $chunk,
            ));
            DB::table('order_lines')->whereIn('id', array_column($chunk, 'order_line_id'))->update([
                'run_id' => DB::raw("case id {$cases('run_id')} end"), 'proposal' => DB::raw("case id {$cases('proposal')} end"),
            ]);
        }
    }

    /**
     * Orders that were done are open again, as when something that came has not come after all.
     *
     * @param  list<string>  $codes  of lines
     */
    public static function reopen(array $codes): void
    {
        DB::table('orders')->where('status', 'done')
            ->whereIn('id', DB::table('order_lines')->whereIn('code', $codes)->select('order_id'))
            ->update(['status' => DB::raw("coalesce(was, 'released')"), 'was' => null]);
    }

    /**
     * An order all of whose lines are cancelled is cancelled, one of which all has come is done; one with lines again is open again.
     *
     * @param  list<int>  $ids  of orders
     */
    private function settle(array $ids): void
    {
        foreach (array_chunk($ids, self::ROWS_AT_ONCE) as $chunk) {
            $open = DB::table('order_lines')->whereIn('order_id', $chunk)->where('cancelled', false)->distinct()->pluck('order_id')
                ->map(Stored::int(...))->all();
            $over = array_values(array_diff($chunk, $open));
            $over === [] || DB::table('orders')->whereIn('id', $over)->update(['status' => 'cancelled']);
            $open === [] || DB::table('orders')->whereIn('id', $open)->where('status', 'cancelled')->update(['status' => 'firm']);
            $left = DB::table('order_lines')->whereIn('order_id', $open)->where('cancelled', false)->whereColumn('received', '<', 'qty')
                ->distinct()->pluck('order_id')->map(Stored::int(...))->all();
            $done = array_values(array_diff($open, $left));
            $done === [] || DB::table('orders')->whereIn('id', $done)->update(['was' => DB::raw('status'), 'status' => 'done']);
            DB::table('orders')->whereIn('id', $chunk)->update(['version' => DB::raw('version + 1'), 'updated_at' => now()]);
        }
    }

    /** @param  list<array<string, mixed>>  $rows */
    private function insert(string $table, array $rows): void
    {
        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            DB::table($table)->insert($chunk);
        }
    }
}
