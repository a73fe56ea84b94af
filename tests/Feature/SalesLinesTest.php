<?php

declare(strict_types=1);

use App\Actions\ExportBundle;
use App\Models\Draft;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('sales'));
    $this->try = fn (array ...$changes) => $this->postJson('/draft/lines', ['changes' => $changes]);
    $this->commit = fn (array $more = []) => $this->postJson('/draft/commit', [
        'version' => Draft::of(auth()->user())->version, 'key' => freshKey(), ...$more,
    ]);
    $this->line = fn (array $more = []) => ['change' => 'put_sales_line', 'line' => [
        'order' => 'SO-9001', 'line' => '1', 'item' => 'WS-400', 'site' => 'OSK', 'qty' => '2', 'due' => '2026-05-11', 'customer' => 'Tern Harbour', ...$more,
    ]];
    $this->history = fn (string $of) => $this->getJson('/history?of='.urlencode($of))->assertOk()->json();
});

it('takes a new sales line as a draft that says what it does, and remembers who made it', function () {
    $start = $this->getJson('/demand/start')->assertOk()->json();
    $highest = DB::table('sales_lines')->where('order_code', 'like', 'SO-%')->pluck('order_code')->map(fn ($code) => (int) substr($code, 3))->max();
    expect($start['order'])->toBe('SO-'.($highest + 1))->and($start['line'])->toBe('1')->and($start['customers'])->toContain('Tern Harbour');
    $line = ($this->try)(($this->line)())->assertOk()->json('state.lines.0');
    expect($line['sentence'])->toContain('SO-9001/1')->toContain('2 pcs of WS-400 for Tern Harbour')
        ->and(DB::table('sales_lines')->where('order_code', 'SO-9001')->exists())->toBeFalse();
    ($this->commit)()->assertOk();
    $row = DB::table('sales_lines')->where('order_code', 'SO-9001')->first();
    expect([(int) $row->qty, (int) $row->shipped, substr($row->due, 0, 10), $row->customer, (int) $row->priority])
        ->toBe([2_000_000, 0, '2026-05-11', 'Tern Harbour', 5])
        ->and($this->getJson('/demand/start?order=SO-9001')->json('line'))->toBe('2');
    $history = ($this->history)('sales:SO-9001/1');
    expect($history)->toHaveCount(1)->and($history[0]['by'])->toBe(Demo::user('sales')->name)->and($history[0]['undoes'])->toBeInt();
});

it('refuses lines that cannot be, in words', function (array $wrong, string $says) {
    ($this->try)(($this->line)($wrong))->assertStatus(422)->assertJsonPath('message', fn ($said) => str_contains($said, $says));
})->with([
    [['item' => 'GHOST'], 'GHOST'], [['site' => 'MOON'], 'MOON'], [['qty' => '0'], 'above 0'], [['qty' => '1.5'], 'decimals'], [['qty' => '-1'], ''],
    [['priority' => 0], ''], [['due' => '2026-02-31'], '2026-02-31'], [['shipped' => '1'], 'new sales line'], [['heldUntil' => '2026-05-01'], 'new sales line'],
    [['order' => ''], ''], [['order' => 'SO-7719'], 'SO-7719/1'], [['qty' => '9999999999'], ''],
]);

it('splits a line, and takes one away with what is held for it, and both come back', function () {
    $this->actingAs(Demo::user('planner'));
    DB::table('allocations')->insert(['demand' => 'sales:SO-7770/2', 'supply' => 'stock:DL-8@LIN', 'qty' => 1_000_000]);
    $this->actingAs(Demo::user('sales'));
    $row = DB::table('sales_lines')->where(['order_code' => 'SO-7719', 'line' => '1'])->first();
    ($this->try)(
        ['change' => 'change_sales_line', 'order' => 'SO-7719', 'line' => '1', 'qty' => '8'],
        ($this->line)(['order' => 'SO-7719', 'line' => '9', 'qty' => (string) ($row->qty / 1_000_000 - 8), 'customer' => $row->customer]),
    )->assertOk();
    ($this->try)(['change' => 'remove_sales_line', 'order' => 'SO-7770', 'line' => '2'])->assertOk();
    $commit = ($this->commit)(['sure' => true])->assertOk()->json('commit');
    expect((int) DB::table('sales_lines')->where('order_code', 'SO-7719')->where('item_code', $row->item_code)->sum('qty'))->toBe((int) $row->qty)
        ->and(DB::table('sales_lines')->where(['order_code' => 'SO-7770', 'line' => '2'])->exists())->toBeFalse()
        ->and(DB::table('allocations')->where('demand', 'sales:SO-7770/2')->exists())->toBeFalse();
    $folder = sys_get_temp_dir().'/yposta-'.bin2hex(random_bytes(5));
    app(ExportBundle::class)($folder); // nothing speaks of what is gone
    expect(file_get_contents("{$folder}/allocations.csv"))->not->toContain('SO-7770/2');
    array_map(unlink(...), glob("{$folder}/*"));
    rmdir($folder);
    $this->postJson("/journal/{$commit}/undo", ['key' => freshKey()])->assertOk();
    expect((int) DB::table('sales_lines')->where(['order_code' => 'SO-7719', 'line' => '1'])->value('qty'))->toBe((int) $row->qty)
        ->and(DB::table('sales_lines')->where(['order_code' => 'SO-7719', 'line' => '9'])->exists())->toBeFalse()
        ->and(DB::table('allocations')->where('demand', 'sales:SO-7770/2')->exists())->toBeTrue()
        ->and(($this->history)('sales:SO-7770/2')[0]['isUndone'])->toBeTrue();
});

it('does not take away what was shipped of, nor undo what somebody has changed since', function () {
    DB::table('sales_lines')->where(['order_code' => 'SO-7770', 'line' => '2'])->update(['shipped' => 1_000_000]);
    ($this->try)(['change' => 'remove_sales_line', 'order' => 'SO-7770', 'line' => '2'])->assertStatus(422);
    ($this->try)(($this->line)())->assertOk();
    $commit = ($this->commit)()->assertOk()->json('commit');
    $this->actingAs(Demo::user('planner'));
    ($this->try)(['change' => 'change_sales_line', 'order' => 'SO-9001', 'line' => '1', 'qty' => '3'])->assertOk();
    ($this->commit)(['sure' => true])->assertOk();
    $history = ($this->history)('sales:SO-9001/1');
    expect(array_column($history, 'by'))->toBe([Demo::user('planner')->name, Demo::user('sales')->name])
        ->and(array_map(is_int(...), array_column($history, 'undoes')))->toBe([true, false]);
    $this->actingAs(User::query()->findOrFail(Demo::user('sales')->id));
    $this->postJson("/journal/{$commit}/undo", ['key' => freshKey()])->assertStatus(422)->assertJsonPath('reason', 'moved');
});

it('keeps the history of orders, stock and planning data too, one sentence for each record', function () {
    $this->actingAs(Demo::user('planner'));
    ($this->try)(['change' => 'move_order', 'order' => 'P-3308', 'due' => '2026-03-12'], ['change' => 'change_planning', 'item' => 'PCB-207', 'site' => 'OSK', 'leadDays' => 12])
        ->assertOk();
    ($this->commit)(['sure' => true])->assertOk();
    $order = ($this->history)('order:P-3308');
    expect($order)->toHaveCount(1)->and($order[0]['sentence'])->toContain('P-3308')->not->toContain('PCB-207')
        ->and(($this->history)("planning:PCB-207\x1fOSK"))->toHaveCount(1)->and(($this->history)('order:P-3311'))->toBe([]);
    $this->getJson('/history')->assertStatus(422);
});

it('finds what is made for a customer by name', function () {
    $hits = $this->getJson('/search?q=Coastal+Trust')->assertOk()->json();
    $made = array_column(array_filter($hits, fn (array $hit) => $hit['kind'] === 'order'), 'label');
    $lines = DB::table('plan_demands as d')->join('plan_pegs as g', fn ($join) => $join->on('g.run_id', '=', 'd.run_id')->on('g.demand', '=', 'd.n'))
        ->join('plan_supplies as s', fn ($join) => $join->on('s.run_id', '=', 'g.run_id')->on('s.n', '=', 'g.supply'))
        ->where('d.kind', 'sales')->where('d.customer', 'Coastal Trust')->where('s.kind', 'order')->where('s.type', 'make')->pluck('s.name')->all();
    expect($made)->not->toBe([])->and(array_intersect($lines, $made))->not->toBe([])
        ->and(array_column($hits, 'kind'))->toContain('customer')
        ->and(array_column(array_filter($this->getJson('/search?q=SO-77')->json(), fn (array $hit) => $hit['kind'] === 'order'), 'label'))->toBe([]);
});
