<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\User;
use App\Support\OrderNumbers;
use App\Support\Stored;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Which lines of purchases are requests, and which order they belong to. A line keeps its code from the request to its receipt, so that
 * the plan, what is held of it and a link to it stay what they were; only the order above it is another. Call within a transaction.
 */
final class PurchaseTables
{
    private const ROWS_AT_ONCE = 400;

    /**
     * New purchases are requests.
     *
     * @param  list<string>  $codes  of lines, each with an order of its own
     */
    public static function handOver(array $codes, string $note, User $by): void
    {
        foreach (array_chunk($codes, self::ROWS_AT_ONCE) as $chunk) {
            DB::table('orders')->whereIn('id', DB::table('order_lines')->whereIn('code', $chunk)->select('order_id'))->update(['is_request' => true]);
            $rows = DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->whereIn('l.code', $chunk)->orderBy('l.id')
                ->get(['l.code', 'l.item_code', 'o.site_code']);
            DB::table('purchase_requests')->insert($rows->map(fn (stdClass $row) => [
                'line_code' => $row->code, 'item_code' => $row->item_code, 'site_code' => $row->site_code, 'note' => $note, 'user_id' => $by->id,
                'created_at' => now(),
            ])->all());
        }
    }

    /** Lines that wait for purchasing: all columns of the line as `l`, of its order as `o`. */
    public static function open(): Builder
    {
        return DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->where('o.is_request', true)
            ->where('o.status', 'firm')->where('l.cancelled', false);
    }

    /**
     * Puts requests together in a new order, or into one that has not been sent.
     *
     * @param  non-empty-list<stdClass>  $lines  id, code and order_id, all of one supplier and site
     * @param  stdClass|null  $into  the order: id and code
     * @return string the order's code
     */
    public static function bundle(array $lines, ?stdClass $into, string $supplier, string $site, User $by): string
    {
        $code = Stored::text($into->code ?? OrderNumbers::next(['buy' => 1])['buy'][0]);
        $order = $into === null ? (int) DB::table('orders')->insertGetId([
            'code' => $code, 'kind' => 'buy', 'status' => 'firm', 'site_code' => $site, 'supplier_code' => $supplier, 'created_by' => $by->id,
            'version' => 1, 'created_at' => now(), 'updated_at' => now(),
        ]) : Stored::int($into->id);
        $number = Stored::int(DB::table('order_lines')->where('order_id', $order)->max('number') ?? 0);
        foreach ($lines as $line) {
            DB::table('order_lines')->where('id', $line->id)->update(['order_id' => $order, 'number' => ++$number]);
        }
        self::dropEmpty(array_map(fn (stdClass $line) => Stored::int($line->order_id), $lines));
        DB::table('orders')->where('id', $order)->update(['version' => DB::raw('version + 1'), 'updated_at' => now()]);
        DB::table('purchase_requests')->whereIn('line_code', array_map(fn (stdClass $line) => Stored::text($line->code), $lines))
            ->whereNull('returned_at')->update(['ordered_at' => now(), 'handled_by' => $by->id]);

        return $code;
    }

    /** The lines of an order that has not been sent are requests again. */
    public static function takeApart(int $order, User $by): void
    {
        $head = DB::table('orders')->where('id', $order)->first();
        $lines = DB::table('order_lines')->where('order_id', $order)->where('cancelled', false)->orderBy('number')->get();
        foreach ($lines as $line) {
            self::alone($line, $head ?? new stdClass, ['is_request' => true]);
        }
        $codes = $lines->map(fn (stdClass $line) => Stored::text($line->code))->all();
        DB::table('purchase_requests')->whereIn('line_code', $codes)->whereNull('returned_at')
            ->update(['ordered_at' => null, 'handled_by' => null]);
        $asked = DB::table('purchase_requests')->whereIn('line_code', $codes)->whereNull('returned_at')->pluck('line_code')->map(Stored::text(...))->all();
        self::handOver(array_values(array_diff($codes, $asked)), '', $by);
        self::dropEmpty([$order]);
    }

    /**
     * Gives a line an order of its own, called as the line is where that is free.
     *
     * @param  stdClass  $head  the order that it has now
     * @param  array<string, mixed>  $with  values of the new order
     */
    public static function alone(stdClass $line, stdClass $head, array $with): void
    {
        $code = Stored::text($line->code);
        DB::table('orders')->where('code', $code)->exists() && $code = OrderNumbers::next(['buy' => 1])['buy'][0];
        $order = DB::table('orders')->insertGetId([
            'code' => $code, 'kind' => $head->kind, 'status' => $head->status, 'site_code' => $head->site_code,
            'supplier_code' => $head->supplier_code, 'created_by' => $head->created_by, 'version' => 1, 'created_at' => $head->created_at,
            'updated_at' => now(), ...$with,
        ]);
        DB::table('order_lines')->where('id', $line->id)->update(['order_id' => $order, 'number' => 1]);
    }

    /** @param  list<int>  $orders  ids */
    private static function dropEmpty(array $orders): void
    {
        DB::table('orders')->whereIn('id', array_unique($orders))->whereNull('sent_at')
            ->whereNotExists(fn (Builder $query) => $query->from('order_lines')->whereColumn('order_lines.order_id', 'orders.id'))->delete();
    }
}
