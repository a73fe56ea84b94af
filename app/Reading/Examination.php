<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\Run;
use App\Planning\Ledger;
use App\Planning\NetworkReader;
use App\Planning\RunLimits;
use App\Planning\RunParameters;
use App\Support\Journal;
use App\Support\Stored;
use App\Support\Words;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Study\HoldSupply;
use Yposta\Core\Support\Phrase;

/** Looks whether the database agrees with itself, and says where it does not. Changes nothing. */
final readonly class Examination
{
    public function __construct(private NetworkReader $reader)
    {
    }

    /** @return iterable<string> what is wrong, in words */
    public function all(): iterable
    {
        yield from $this->stock();
        yield from $this->counters();
        yield from $this->moved('received', DB::table('order_lines as t')->join('orders as o', 'o.id', '=', 't.order_id')
            ->select(['t.code as name', 't.received as kept', DB::raw('o.created_by is not null as here'), DB::raw("'order:' || t.code as document")]), 'receipt', 1);
        yield from $this->moved('issued', DB::table('order_components as t')->join('order_lines as l', 'l.id', '=', 't.order_line_id')
            ->join('orders as o', 'o.id', '=', 'l.order_id')->select([
                DB::raw("l.code || '/' || t.line as name"), 't.issued as kept', DB::raw('o.created_by is not null as here'),
                DB::raw("'part:' || l.code || '/' || t.line as document"),
            ]), 'issue', -1);
        yield from $this->moved('shipped', DB::table('sales_lines as t')->select([
            DB::raw("t.order_code || '/' || t.line as name"), 't.shipped as kept', DB::raw('(1 = 0) as here'),
            DB::raw("'sales:' || t.order_code || '/' || t.line as document"),
        ]), 'shipment', -1);
        yield from $this->states();
        yield from $this->purchases();
        yield from $this->holds();
        yield from $this->plan();
    }

    /** @return iterable<string> */
    private function stock(): iterable
    {
        foreach (Ledger::differences()->cursor() as $row) {
            yield self::say(Stored::int($row->blocked) === 1 ? 'blocked' : 'stock', [
                'item' => Stored::text($row->item_code), 'site' => Stored::text($row->site_code),
                'stock' => new Amount(Stored::int($row->stock)), 'booked' => new Amount(Stored::int($row->booked)),
            ]);
        }
        foreach (DB::table('stock')->where('qty', '<', 0)->orWhere(fn (Builder $both) => $both->where('qty', '>', 0)->where('owed', '>', 0))->get() as $row) {
            yield self::say('below_zero', ['item' => Stored::text($row->item_code), 'site' => Stored::text($row->site_code)]);
        }
    }

    /** @return iterable<string> */
    private function counters(): iterable
    {
        $wrong = DB::table('movements as c')->join('movements as m', 'm.id', '=', 'c.counter_of')->where(fn (Builder $any) => $any
            ->whereRaw('c.qty + m.qty <> 0')->orWhereColumn('c.item_code', '<>', 'm.item_code')->orWhereColumn('c.site_code', '<>', 'm.site_code'));
        foreach ($wrong->get(['c.id', 'm.id as of']) as $row) {
            yield self::say('counter', ['number' => Stored::int($row->id), 'of' => Stored::int($row->of)]);
        }
    }

    /**
     * What documents say that has moved, beside what was booked on them. What came with imported data was not booked here, so that there
     * may be more of it, never less.
     *
     * @param  Builder  $documents  name, kept, whether it was made here, and document as the ledger has it
     * @param  1|-1  $sign  of such a movement
     * @return iterable<string>
     */
    private function moved(string $what, Builder $documents, string $kind, int $sign): iterable
    {
        $booked = DB::table('movements')->where('kind', $kind)->groupBy('document')
            ->select(['document', DB::raw("{$sign} * sum(qty) as qty")]);
        $rows = DB::query()->fromSub($documents, 'd')->leftJoinSub($booked, 'b', 'b.document', '=', 'd.document')
            ->whereRaw('(coalesce(b.qty, 0) > d.kept or (d.here and coalesce(b.qty, 0) <> d.kept))')
            ->orderBy('d.name')->get(['d.name', 'd.kept', DB::raw('coalesce(b.qty, 0) as qty')]);
        foreach ($rows as $row) {
            yield self::say($what, [
                'name' => Stored::text($row->name), 'kept' => new Amount(Stored::int($row->kept)), 'booked' => new Amount(Stored::int($row->qty)),
            ]);
        }
    }

    /** @return iterable<string> */
    private function states(): iterable
    {
        $open = DB::table('orders as o')->join('order_lines as l', 'l.order_id', '=', 'o.id')->where('o.status', 'done')->where('l.cancelled', false)
            ->whereColumn('l.received', '<', 'l.qty')->distinct()->orderBy('o.code')->pluck('o.code');
        foreach ($open as $code) {
            yield self::say('done_but_open', ['order' => Stored::text($code)]);
        }
        foreach (DB::table('order_lines')->whereColumn('received', '>', 'qty')->orderBy('code')->pluck('code') as $code) {
            yield self::say('received_too_much', ['order' => Stored::text($code)]);
        }
    }

    /** @return iterable<string> proposals that were ordered twice, sent orders that nobody can say what was sent of, messages about nothing */
    private function purchases(): iterable
    {
        $twice = DB::table('conversions')->groupBy('run_id', 'proposal')->havingRaw('count(*) > 1')->get(['run_id', 'proposal']);
        foreach ($twice as $row) {
            yield self::say('twice', ['number' => Stored::int($row->proposal), 'run' => Stored::int($row->run_id)]);
        }
        $unknown = DB::table('orders as o')->whereNotNull('o.sent_at')
            ->whereNotExists(fn (Builder $query) => $query->from('order_versions')->whereColumn('order_versions.order_id', 'o.id'))->pluck('o.code');
        foreach ($unknown as $code) {
            yield self::say('sent_what', ['order' => Stored::text($code)]);
        }
        $run = Run::live();
        $codes = $run === null ? [] : DB::table('plan_messages')->where('run_id', $run->id)->where('reference', 'like', 'order:%')->distinct()
            ->pluck('reference')->map(fn (mixed $reference) => substr(Stored::text($reference), strlen('order:')))->all();
        foreach (array_chunk($codes, 400) as $chunk) {
            foreach (array_diff($chunk, DB::table('order_lines')->whereIn('code', $chunk)->pluck('code')->all()) as $code) {
                yield self::say('message', ['order' => $code]);
            }
        }
    }

    /** @return iterable<string> holds of more than there is, or for what is not there */
    private function holds(): iterable
    {
        $network = $this->reader->read();
        $there = $held = [];
        foreach ($network->stock as $row) {
            $there["stock:{$row->item}@{$row->site}"] = $row->qty;
        }
        foreach ($network->orders as $order) {
            $there["order:{$order->code}"] = $order->open();
        }
        foreach ($network->allocations as $row) {
            $held[$row->supply] = ($held[$row->supply] ?? 0) + $row->qty;
        }
        ksort($held);
        foreach ($held as $supply => $qty) {
            if ($qty > ($there[$supply] ?? 0)) {
                yield self::say('held', [
                    'supply' => HoldSupply::named((string) $supply), 'held' => new Amount($qty), 'there' => new Amount($there[$supply] ?? 0),
                ]);
            }
        }
    }

    /** @return iterable<string> whether the live plan is what a run over the data makes now, where nothing has changed since */
    private function plan(): iterable
    {
        $run = Run::live();
        if ($run === null || $run->last_change !== Journal::newest()) {
            return;
        }
        $day = substr((string) $run->plan_date, 0, 10);
        $plan = RunLimits::planner()->plan($this->reader->read(), RunParameters::asOf($run, $day));
        $anew = [];
        foreach ($plan->proposals() as $supply) {
            $point = $plan->structure->points[$supply->point];
            $anew[] = "{$point->item->code}@{$point->site->code} ".Quantity::format($supply->qty).' '.Day::format($supply->due);
        }
        $stored = DB::table('plan_supplies as s')->join('plan_points as p', fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'))
            ->where('s.run_id', $run->id)->where('s.kind', SupplyKind::Proposal->value)->get(['p.item_code', 'p.site_code', 's.qty', 's.due'])
            ->map(fn ($row) => "{$row->item_code}@{$row->site_code} ".Quantity::format(Stored::int($row->qty)).' '.substr(Stored::text($row->due), 0, 10))->all();
        sort($anew);
        sort($stored);
        if ($anew !== $stored) {
            $other = array_values(array_diff($anew, $stored))[0] ?? array_values(array_diff($stored, $anew))[0] ?? '';
            yield self::say('plan', ['stored' => count($stored), 'anew' => count($anew), 'first' => $other]);
        }
    }

    /** @param  array<string, int|string|Amount|Phrase>  $values */
    private static function say(string $code, array $values): string
    {
        return Words::say(new Phrase("examination.{$code}", $values));
    }
}
