<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Order;
use App\Models\OrderLine;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\RowDifference;
use Yposta\Core\Network\Stock;
use Yposta\Core\Network\SupplierItem;
use Yposta\Core\Study\OrderRows;

/**
 * Writes into the tables what changes have made of a network: only the rows that differ, each with its lock moved on.
 *
 * Call within a transaction in which the network before was read.
 */
final readonly class ChangeWriter
{
    private Dates $dates;

    public function __construct()
    {
        $this->dates = new Dates;
    }

    public function write(Network $before, Network $after, User $by): void
    {
        $this->orders($before, $after, $by);
        $this->components($before, $after);
        $this->demand($before, $after);
        $this->stock($before, $after);
        $this->planning($before, $after);
        $this->allocations($before, $after);
        $this->calendars($before, $after);
    }

    private function orders(Network $before, Network $after, User $by): void
    {
        foreach (RowDifference::of($before->orders, $after->orders, fn (OpenOrder $order) => $order->code) as $code => [$old, $new]) {
            $line = OrderLine::query()->where('code', (string) $code)->first();
            if ($new === null) {
                if ($line !== null) {
                    $line->update(['cancelled' => true, 'version' => $line->version + 1]);
                    DB::table('conversions')->where('order_line_id', $line->id)->delete(); // what it was made of is needed again
                    $this->settle($line->order_id);
                }

                continue;
            }
            $values = [
                'qty' => $new->qty, 'received' => $new->received, 'start' => $this->dates->isoOrNull($new->start), 'due' => $this->dates->iso($new->due), 'pinned' => $new->pinned,
                'priority' => $new->priority, 'cancelled' => false,
            ];
            if ($line !== null) {
                $line->update([...$values, 'version' => $line->version + 1]);
                $old === null || $old->status === $new->status || Order::query()->whereKey($line->order_id)->update(['status' => $new->status->value]);
                $this->settle($line->order_id);
            } else {
                $this->create($after, $new, $new->supplier, $values, $by);
            }
        }
    }

    /** @param  array<string, mixed>  $values */
    private function create(Network $after, OpenOrder $new, ?string $supplier, array $values, User $by): void
    {
        // a line of an order with several is called by the order's code and its number
        [$code, $number] = preg_match('/^(.+)\.(\d{1,4})$/', $new->code, $parts) === 1 ? [$parts[1], (int) $parts[2]] : [$new->code, 1];
        $order = Order::query()->firstOrCreate(['code' => $code], [
            'kind' => $new->kind->value, 'status' => $new->status->value, 'site_code' => $new->site, 'supplier_code' => $supplier, 'created_by' => $by->id, 'version' => 1,
        ]);
        $price = $supplier === null ? null : DB::table('supplier_items')->where('supplier_code', $supplier)->where('item_code', $new->item)->value('price');
        $line = OrderLine::query()->create([...$values, 'order_id' => $order->id, 'number' => $number, 'code' => $new->code, 'item_code' => $new->item, 'from_site_code' => $new->fromSite, 'price' => $price, 'version' => 1]);
        if (array_filter($after->components, fn (OrderComponent $row) => $row->order === $new->code) === []) {
            $this->rows($line, OrderRows::of($after, $new->code));
        }
    }

    /** An order all of whose lines are cancelled is cancelled; one with lines again is open again. */
    private function settle(int $orderId): void
    {
        $order = Order::query()->findOrFail($orderId);
        $open = OrderLine::query()->where('order_id', $orderId)->where('cancelled', false)->exists();
        $status = $open ? ($order->status === 'cancelled' ? 'firm' : $order->status) : 'cancelled';
        $order->update(['status' => $status, 'version' => $order->version + 1]);
    }

    private function components(Network $before, Network $after): void
    {
        $touched = [];
        foreach (RowDifference::of($before->components, $after->components, fn (OrderComponent $row) => "{$row->order}\x1f{$row->line}") as [$old, $new]) {
            $touched[$new->order ?? $old->order ?? ''] = true;
        }
        foreach (array_keys($touched) as $code) {
            $line = OrderLine::query()->where('code', (string) $code)->first();
            if ($line !== null && isset($after->orders[$code])) {
                $line->components()->delete();
                $this->rows($line, array_values(array_filter($after->components, fn (OrderComponent $row) => $row->order === (string) $code)));
            }
        }
    }

    /** @param  list<OrderComponent>  $rows */
    private function rows(OrderLine $line, array $rows): void
    {
        foreach ($rows as $row) {
            $line->components()->create(['line' => $row->line, 'item_code' => $row->item, 'qty' => $row->qty, 'issued' => $row->issued, 'need' => $this->dates->isoOrNull($row->need)]);
        }
    }

    private function demand(Network $before, Network $after): void
    {
        foreach (RowDifference::of($before->sales, $after->sales, fn ($line) => "{$line->order}\x1f{$line->line}") as [, $new]) {
            $new === null || DB::table('sales_lines')->where(['order_code' => $new->order, 'line' => $new->line])
                ->update(['qty' => $new->qty, 'due' => $this->dates->iso($new->due), 'priority' => $new->priority, 'version' => DB::raw('version + 1')]);
        }
        foreach (RowDifference::of($before->forecasts, $after->forecasts, fn ($bucket) => "{$bucket->forecast}\x1f{$bucket->item}\x1f{$bucket->site}\x1f{$bucket->start}") as [, $new]) {
            $new === null || DB::table('forecast_buckets')->where(['forecast' => $new->forecast, 'item_code' => $new->item, 'site_code' => $new->site, 'start' => $this->dates->iso($new->start)])
                ->update(['qty' => $new->qty, 'version' => DB::raw('version + 1')]);
        }
    }

    private function stock(Network $before, Network $after): void
    {
        foreach (RowDifference::of($before->stock, $after->stock, fn (Stock $stock) => Network::key($stock->item, $stock->site)) as [$old, $new]) {
            $row = $new ?? $old;
            if ($row !== null) {
                $where = ['item_code' => $row->item, 'site_code' => $row->site];
                DB::table('stock')->where($where)->exists()
                    ? DB::table('stock')->where($where)->update(['qty' => $new->qty ?? 0, 'version' => DB::raw('version + 1')])
                    : DB::table('stock')->insert([...$where, 'qty' => $new->qty ?? 0, 'version' => 1]);
            }
        }
    }

    private function planning(Network $before, Network $after): void
    {
        foreach (RowDifference::of($before->planning, $after->planning, fn (Planning $row) => Network::key($row->item, $row->site)) as [, $new]) {
            $new === null || DB::table('planning_data')->updateOrInsert(['item_code' => $new->item, 'site_code' => $new->site], NetworkWriter::planningColumns($new));
        }
        foreach (RowDifference::of($before->supplierItems, $after->supplierItems, fn (SupplierItem $offer) => "{$offer->supplier}\x1f{$offer->item}") as [, $new]) {
            $new === null || DB::table('supplier_items')->where(['supplier_code' => $new->supplier, 'item_code' => $new->item])->update(['lead_days' => $new->leadDays]);
        }
    }

    /** The order of the rows is the order in which they count. */
    private function allocations(Network $before, Network $after): void
    {
        if ($before->allocations == $after->allocations) {
            return;
        }
        DB::table('allocations')->delete();
        foreach (array_chunk($after->allocations, 200) as $chunk) {
            DB::table('allocations')->insert(array_map(fn ($held) => ['demand' => $held->demand, 'supply' => $held->supply, 'qty' => $held->qty], $chunk));
        }
    }

    private function calendars(Network $before, Network $after): void
    {
        foreach ($after->calendars as $code => $calendar) {
            $old = isset($before->calendars[$code]) ? $before->calendars[$code]->exceptions() : [];
            if ($old == $calendar->exceptions()) {
                continue;
            }
            DB::table('calendar_days')->where('calendar_code', $code)->delete();
            foreach ($calendar->exceptions() as $day => $works) {
                DB::table('calendar_days')->insert(['calendar_code' => $code, 'date' => $this->dates->iso($day), 'works' => $works]);
            }
        }
    }
}
