<?php

declare(strict_types=1);

use App\Actions\StartRun;
use App\Models\Draft;
use App\Models\Run;
use App\Support\Settings;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

/** A proposal of the live plan for an item at a site. */
function proposed(string $item, string $site = 'OSK'): stdClass
{
    return DB::table('plan_supplies as s')->join('plan_points as p', fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'))
        ->where('s.run_id', Run::live()->id)->where('s.kind', 'proposal')->where('p.item_code', $item)->where('p.site_code', $site)
        ->orderBy('s.n')->firstOrFail(['s.name', 's.type', 's.qty', 's.due', 's.start']);
}

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('planner'));
    $this->rest = fn (array $numbers, array $more = []) => $this->postJson('/proposals/put-off', [
        'run' => Run::live()->id, 'key' => freshKey(), 'numbers' => $numbers, 'until' => '2026-03-09', 'reason' => 'the drawing changes', ...$more,
    ]);
    $this->listed = fn (string $more = '') => $this->getJson("/proposals/rows?until=all&by=date{$more}")->assertOk()->json();
    $this->numbers = fn (string $more = '') => array_column(array_merge(...array_column(($this->listed)($more)['groups'], 'rows')), 'number');
});

it('shows each way to get it side by side, at the price of that quantity, and orders in the one that is taken', function () {
    $proposal = proposed('BR-2');
    $detail = $this->getJson("/proposals/{$proposal->name}?qty=25")->assertOk()->json();
    $ways = collect($detail['ways'])->keyBy('way');
    expect($ways->keys()->all())->toBe(['make', 'buy:GREENHAY'])->and($ways['buy:GREENHAY']['price'])->toBe('24.1')
        ->and($ways['buy:GREENHAY']['value'])->toBe('603')->and($ways['buy:GREENHAY']['lead'])->toBe(6)->and($detail['need'])->toBeString();
    $line = ['number' => (int) $proposal->name, 'way' => 'buy:GREENHAY'];
    $seen = $this->postJson('/proposals/preview', ['run' => Run::live()->id, 'picked' => [(int) $proposal->name], 'lines' => [$line]])->assertOk();
    expect($seen->json('lines.0.instead'))->toContain('Greenhay Turning')->and($seen->json('orders.0.kind'))->toBe('buy');

    $made = $this->postJson('/proposals/convert', [
        'run' => Run::live()->id, 'key' => freshKey(), 'sure' => true, 'agreed' => true, 'lines' => [$line],
    ])->assertOk()->json('orders.0.code');
    $order = DB::table('orders as o')->join('order_lines as l', 'l.order_id', '=', 'o.id')->where('o.code', $made)->first();
    expect($order->kind)->toBe('buy')->and($order->supplier_code)->toBe('GREENHAY')->and((int) $order->qty)->toBe((int) $proposal->qty)
        ->and(DB::table('order_components')->where('order_line_id', $order->id)->count())->toBe(0);
    app(StartRun::class)([], null);
    $supply = DB::table('plan_supplies')->where('run_id', Run::live()->id)->where('kind', 'order')->where('name', $order->code)->first();
    expect($supply)->not->toBeNull(); // it counts as supply of what is planned to be made
});

it('takes no way that there is not, nor one of a kind that is not the person\'s to order', function () {
    $convert = fn (string $way) => $this->postJson('/proposals/convert', [
        'run' => Run::live()->id, 'key' => freshKey(), 'sure' => true, 'agreed' => true,
        'lines' => [['number' => (int) proposed('BR-2')->name, 'way' => $way]],
    ]);
    $convert('transfer:HAL')->assertStatus(422)->assertJsonPath('reason', 'way');
    $this->actingAs(Demo::user('scheduler'));
    $convert('buy:GREENHAY')->assertStatus(422)->assertJsonPath('reason', 'forbidden');
    expect(DB::table('conversions')->count())->toBe(0);
});

it('splits a proposal: some of it now, the rest on its own day', function () {
    $proposal = proposed('BR-2');
    $line = ['number' => (int) $proposal->name, 'qty' => '3', 'rest' => '2026-03-25', 'way' => 'buy:GREENHAY'];
    $seen = $this->postJson('/proposals/preview', ['run' => Run::live()->id, 'picked' => [(int) $proposal->name], 'lines' => [$line]])->assertOk();
    expect($seen->json('orders.0.lines'))->toBe(['3 pcs BR-2', '5 pcs BR-2']);
    $convert = fn (array $line) => $this->postJson('/proposals/convert', [
        'run' => Run::live()->id, 'key' => freshKey(), 'sure' => true, 'agreed' => true, 'lines' => [$line],
    ]);
    foreach ([['qty' => '8'], ['qty' => null], ['qty' => '9']] as $wrong) {
        $convert([...$line, ...$wrong])->assertStatus(422)->assertJsonPath('reason', 'quantity');
    }
    $convert([...$line, 'rest' => '2026-02-02'])->assertStatus(422)->assertJsonPath('reason', 'date');
    $convert($line)->assertOk();
    $made = DB::table('order_lines')->where('item_code', 'BR-2')->whereNotNull('price')->orderBy('due')->get(['qty', 'due']);
    expect($made->map(fn ($row) => [(int) $row->qty, substr($row->due, 0, 10)])->all())
        ->toBe([[3_000_000, '2026-03-11'], [5_000_000, '2026-03-25']])->and(DB::table('conversions')->count())->toBe(1);
});

it('prices a line by its break, follows the quantity, and leaves a price that somebody typed', function () {
    $line = fn () => DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->where('o.kind', 'buy')
        ->where('l.item_code', 'PCB-207')->where('o.supplier_code', 'FENNICK')->orderByDesc('l.id');
    $commit = function (array $change): void {
        $this->postJson('/draft/lines', ['changes' => [$change]])->assertOk();
        $version = Draft::of(Demo::user('planner'))->version;
        $this->postJson('/draft/commit', ['version' => $version, 'key' => freshKey(), 'sure' => true])->assertOk();
    };
    $commit(['change' => 'put_order', 'order' => 'new:1', 'kind' => 'buy', 'item' => 'PCB-207', 'site' => 'OSK',
        'supplier' => 'FENNICK', 'qty' => '40', 'due' => '2026-04-20']);
    $code = $line()->value('l.code');
    expect((int) $line()->value('l.price'))->toBe(38_500_000);
    $commit(['change' => 'resize_order', 'order' => $code, 'qty' => '150']);
    expect((int) $line()->value('l.price'))->toBe(34_800_000);
    DB::table('order_lines')->where('code', $code)->update(['price' => 12_345]);
    $commit(['change' => 'resize_order', 'order' => $code, 'qty' => '60']);
    expect((int) $line()->value('l.price'))->toBe(12_345);
});

it('lets a proposal rest until its day, and the same in the plans before it', function () {
    $all = ($this->numbers)();
    $total = ($this->listed)()['total'];
    $number = $all[3];
    $row = DB::table('plan_supplies')->where('run_id', Run::live()->id)->where('name', (string) $number)->where('kind', 'proposal')->first();
    ($this->rest)([$number])->assertOk()->assertJsonPath('message', fn ($said) => str_contains($said, 'put off until') && str_contains($said, 'the drawing changes'));
    expect(array_slice(($this->numbers)(), 0, count($all) - 1))->toBe(array_values(array_diff($all, [$number])))
        ->and(($this->numbers)('&rest=1'))->toBe([$number])->and(($this->listed)()['total'])->toBe($total - 1)
        ->and($this->getJson("/proposals/{$number}")->json('isResting'))->toBeTrue();
    $this->get('/proposals?until=all')->assertInertia(fn ($page) => $page->where('resting', 1)->where('total', $total - 1));

    app(StartRun::class)([], null);
    $resting = ($this->numbers)('&rest=1');
    $same = DB::table('plan_supplies')->where('run_id', Run::live()->id)->where('name', (string) $resting[0])->where('kind', 'proposal')->first();
    expect($resting)->toHaveCount(1)->and([$same->qty, $same->due, $same->type])->toBe([$row->qty, $row->due, $row->type]);

    Settings::set(Settings::PINNED_PLAN_DATE, '2026-03-09');
    app(StartRun::class)([], null);
    expect(($this->numbers)('&rest=1'))->toBe([]);
});

it('wakes what is wanted earlier or in a larger quantity, one of several alike at a time, and what somebody takes up again', function () {
    $number = (int) proposed('PCB-207')->name;
    ($this->rest)([$number])->assertOk();
    DB::table('put_offs')->update(['qty' => DB::raw('qty - 1')]); // as if more were wanted now
    app(StartRun::class)([], null);
    expect(($this->numbers)('&rest=1'))->toBe([]);
    DB::table('put_offs')->update(['qty' => DB::raw('qty + 1')]);
    app(StartRun::class)([], null);
    $resting = ($this->numbers)('&rest=1');
    expect($resting)->toHaveCount(1);
    $this->postJson('/proposals/take-up', ['run' => Run::live()->id, 'key' => freshKey(), 'numbers' => $resting])->assertOk();
    expect(($this->numbers)('&rest=1'))->toBe([])->and(($this->numbers)())->toContain($resting[0]);
    app(StartRun::class)([], null);
    expect(($this->numbers)('&rest=1'))->toBe([]);
});

it('puts nothing off without a reason or a day to come, twice, once it is ordered, or for who could not order it', function () {
    $number = (int) proposed('PCB-207')->name;
    ($this->rest)([$number], ['reason' => ' '])->assertStatus(422)->assertJsonPath('reason', 'reason');
    foreach (['2026-03-02', '2026-02-31', '2027-09-09', 'soon'] as $until) {
        ($this->rest)([$number], ['until' => $until])->assertStatus(422)->assertJsonPath('reason', 'date');
    }
    ($this->rest)([999_999])->assertStatus(422)->assertJsonPath('reason', 'stale');
    $this->actingAs(Demo::user('scheduler'));
    ($this->rest)([$number])->assertStatus(422)->assertJsonPath('reason', 'forbidden');
    $this->actingAs(Demo::user('planner'));
    $key = freshKey();
    $said = ($this->rest)([$number], ['key' => $key])->assertOk()->json();
    expect(($this->rest)([$number], ['key' => $key])->assertOk()->json())->toBe($said)->and(DB::table('put_offs')->count())->toBe(1);
    ($this->rest)([$number])->assertStatus(422)->assertJsonPath('reason', 'stale');
    $other = (int) proposed('BR-2')->name;
    $this->postJson('/proposals/convert', [
        'run' => Run::live()->id, 'key' => freshKey(), 'sure' => true, 'agreed' => true, 'lines' => [['number' => $other]],
    ])->assertOk();
    ($this->rest)([$other])->assertStatus(422)->assertJsonPath('reason', 'stale');
    $this->postJson('/proposals/take-up', ['run' => Run::live()->id, 'key' => freshKey(), 'numbers' => [$other]])->assertStatus(422);
});
