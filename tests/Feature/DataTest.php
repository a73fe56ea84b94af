<?php

declare(strict_types=1);

use App\Actions\StartRun;
use App\Models\Draft;
use App\Reading\MasterData;
use Illuminate\Support\Facades\DB;
use Spatie\Activitylog\Models\Activity;
use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('planner'));
    $this->draft = fn (array ...$changes) => $this->postJson('/draft/lines', ['changes' => $changes, 'sure' => true]);
    $this->commit = function () {
        $draft = Draft::query()->latest('id')->firstOrFail();

        return $this->postJson('/draft/commit', ['version' => $draft->version, 'key' => freshKey()]);
    };
    $this->rows = fn (string $kind, string $q = '') => $this->get('/data?'.http_build_query(['kind' => $kind, 'q' => $q]))->assertOk()->inertiaProps();
    $this->many = fn (string $kind, array $rows, string $field, string $value) => $this->postJson('/data/many', compact('kind', 'rows', 'field', 'value'));
    $this->bom = fn () => DB::table('bom_lines')->orderBy('id')->get(['item_code', 'line', 'component_code', 'qty'])->map(fn ($row) => array_values((array) $row))->all();
});

it('shows every kind with as many rows as its table has, each once', function (string $kind) {
    $props = ($this->rows)($kind);
    $all = $props['list']['rows'];
    while (count($all) < $props['list']['total']) {
        $next = $this->getJson("/data/rows?kind={$kind}&offset=".count($all))->assertOk()->json('rows');
        $next === [] && throw new LogicException('the list ends before its total');
        array_push($all, ...$next);
    }

    expect(count(array_unique(array_map(fn (array $row) => json_encode($row['values']), $all))))->toBe($props['list']['total'])
        ->and($props['kind']['kind'])->toBe($kind)->and(array_column($props['kind']['fields'], 'label'))->each->not->toStartWith('data.')
        ->and(array_merge(...array_column($props['shelves'], 'kinds')))->toHaveCount(count(MasterData::kinds()));
})->with(MasterData::kinds());

it('finds rows by codes and names, and sorts them', function () {
    expect(array_column(array_column(($this->rows)('items', 'ws-4')['list']['rows'], 'values'), 'code'))->toContain('WS-400')
        ->and(($this->rows)('items', 'no such thing')['list']['total'])->toBe(0);
    $codes = fn (string $sort) => array_column(array_column($this->getJson("/data/rows?kind=items&q=WS-&sort={$sort}")->json('rows'), 'values'), 'code');
    expect($codes('-code'))->toBe(array_reverse($codes('code')))->and($this->getJson('/data/codes?of=items&q=ws-400')->json('0.value'))->toBe('WS-400');
    $this->get('/data?kind=users')->assertOk()->assertInertia(fn ($page) => $page->where('kind.kind', 'items'));
    $this->getJson('/data/codes?of=users&q=a')->assertNotFound();
});

it('drafts a changed row, writes it with what it was before, and takes it back', function () {
    $item = collect(($this->rows)('items', 'WS-400')['list']['rows'])->firstWhere('identity', ['WS-400']);
    ($this->draft)(['change' => 'put_rows', 'kind' => 'items', 'rows' => [[...$item['values'], 'name' => 'Storm station', 'salesPrice' => '99.5']], 'removed' => []])->assertOk();
    $commit = ($this->commit)()->assertOk()->json('commit');

    expect((array) DB::table('items')->where('code', 'WS-400')->first(['name', 'sales_price']))->toBe(['name' => 'Storm station', 'sales_price' => 99_500_000]);
    $history = $this->getJson('/history?of='.rawurlencode($item['record']))->assertOk()->json();
    expect($history[0]['sentence'])->toContain('Item WS-400')->toContain('Name')->toContain('to Storm station')->toContain('Sales price 2190 to 99.5')
        ->and($history[0]['undoes'])->toBe($commit);
    $this->postJson("/journal/{$commit}/undo", ['key' => freshKey()])->assertOk();
    expect(DB::table('items')->where('code', 'WS-400')->value('name'))->not->toBe('Storm station');
});

it('adds, changes and takes away lines of a structure without writing the others anew', function () {
    $before = ($this->bom)();
    $ids = DB::table('bom_lines')->orderBy('id')->pluck('id')->all();
    $line = ($this->rows)('bom')['list']['rows'][0];
    ($this->draft)(['change' => 'put_rows', 'kind' => 'bom', 'rows' => [[...$line['values'], 'qty' => '7']], 'removed' => [$line['identity']]])->assertOk();
    $commit = ($this->commit)()->assertOk()->json('commit');
    $after = ($this->bom)();

    expect(count($after))->toBe(count($before))->and(end($after)[3])->toBe(7_000_000)
        ->and(array_intersect($ids, DB::table('bom_lines')->pluck('id')->all()))->toHaveCount(count($ids) - 1)
        ->and(Activity::query()->where('event', 'commit')->latest('id')->value('description'))->toContain('Quantity');
    $this->postJson("/journal/{$commit}/undo", ['key' => freshKey()])->assertOk();
    $sorted = fn (array $rows) => collect($rows)->sort()->values()->all();
    expect($sorted(($this->bom)()))->toBe($sorted($before));
});

it('plans by new master data', function () {
    ($this->draft)(
        ['change' => 'put_rows', 'kind' => 'items', 'rows' => [['code' => 'BELL', 'unit' => 'pcs']]],
        ['change' => 'put_rows', 'kind' => 'planning', 'rows' => [['item' => 'BELL', 'site' => 'OSK', 'supply' => 'buy', 'supplier' => 'TALLIS', 'leadDays' => 3]]],
        ['change' => 'put_rows', 'kind' => 'bom', 'rows' => [['item' => 'WS-400', 'line' => '95', 'component' => 'BELL', 'qty' => '2']]],
    )->assertOk();
    ($this->commit)()->assertOk();
    app(StartRun::class)([], null);

    expect(DB::table('plan_supplies as s')->join('plan_points as p', fn ($join) => $join->on('p.run_id', 's.run_id')->on('p.n', 's.point'))
        ->where('p.item_code', 'BELL')->where('s.kind', 'proposal')->count())->toBeGreaterThan(0);
});

it('refuses what is in use and says where, also where only what is over names it', function () {
    expect(($this->draft)(['change' => 'put_rows', 'kind' => 'items', 'rows' => [], 'removed' => [['WS-400']]])->assertStatus(422)->json('message'))
        ->toContain('WS-400 is used');
    DB::table('items')->insert(['code' => 'GONE', 'name' => 'Gone', 'unit' => '', 'decimals' => 0, 'phantom' => false, 'unit_cost' => 0]);
    DB::table('movements')->insert([
        'kind' => 'count', 'item_code' => 'GONE', 'site_code' => 'OSK', 'qty' => 1_000_000, 'created_at' => now(), 'day' => '2026-03-02', 'reason' => '',
    ]);
    ($this->draft)(['change' => 'put_rows', 'kind' => 'items', 'rows' => [], 'removed' => [['GONE']]])->assertOk();
    expect(($this->commit)()->assertStatus(422)->json('message'))->toContain('GONE')->toContain('Retire it')
        ->and(DB::table('items')->where('code', 'GONE')->exists())->toBeTrue();
});

it('does not let two people overwrite each other', function () {
    $row = ($this->rows)('items', 'WS-400')['list']['rows'][0];
    $with = fn (string $name) => ['change' => 'put_rows', 'kind' => 'items', 'rows' => [[...$row['values'], 'name' => $name]]];
    ($this->draft)($with('First'))->assertOk();
    $this->actingAs(Demo::user('administrator'));
    ($this->draft)($with('Second'))->assertOk();
    ($this->commit)()->assertOk();
    $this->actingAs(Demo::user('planner'));
    $draft = Draft::query()->where('user_id', Demo::user('planner')->id)->firstOrFail();
    $answer = $this->postJson('/draft/commit', ['version' => $draft->version, 'key' => freshKey()])->assertStatus(422)->json('message');

    expect($answer)->toContain('changed meanwhile')->and(DB::table('items')->where('code', 'WS-400')->value('name'))->toBe('Second')
        ->and(Draft::query()->where('user_id', Demo::user('planner')->id)->firstOrFail()->lines)->toHaveCount(1);
});

it('gives many rows another value, said row by row first', function (string $field, string $value, array $expected) {
    DB::table('planning_data')->where('item_code', 'ANT-2')->update(['safety_stock' => 10_000_000, 'safety_days' => 3]);
    DB::table('planning_data')->where('item_code', 'BAR-12')->update(['safety_stock' => 2_500_000, 'safety_days' => 0]);
    $edit = ($this->many)('planning', [['ANT-2', 'OSK'], ['BAR-12', 'OSK']], $field, $value)->assertOk()->json();
    $column = ['safetyStock' => 'safety_stock', 'safetyDays' => 'safety_days', 'supply' => 'supply'][$field];
    if ($edit['change'] !== null) {
        ($this->draft)(json_decode($edit['change'], true))->assertOk();
        ($this->commit)()->assertOk();
    }

    expect($edit['count'])->toBe(count($edit['some']))
        ->and(DB::table('planning_data')->whereIn('item_code', ['ANT-2', 'BAR-12'])->orderBy('item_code')->pluck($column)->all())->toBe($expected);
})->with([
    'a value' => ['safetyDays', '5', [5, 5]],
    'more' => ['safetyDays', '+2', [5, 2]],
    'less, but never below 0' => ['safetyDays', '-2', [1, 0]],
    'percent more, in steps of the item' => ['safetyStock', '+10 %', [11_000_000, 2_800_000]],
    'percent less' => ['safetyStock', '-15%', [9_000_000, 2_100_000]],
    'the same for one of them' => ['safetyDays', '3', [3, 3]],
]);

it('refuses a value for many that is none, rows that are not there, and a column that tells rows apart', function () {
    $say = fn (string $field, string $value, array $rows = [['ANT-2', 'OSK']]) => ($this->many)('planning', $rows, $field, $value)->assertStatus(422)->json();
    expect($say('safetyDays', 'many')['reason'])->toBe('value')->and($say('safetyDays', '1.5')['reason'])->toBe('value')
        ->and($say('supply', 'grown')['reason'])->toBe('value')->and($say('item', 'B')['reason'])->toBe('column')
        ->and($say('password', 'x')['reason'])->toBe('column')->and($say('safetyDays', '5', [['ANT-2', 'MOON']])['reason'])->toBe('gone')
        ->and($say('safetyStock', '+'.str_repeat('9', 40))['reason'])->toBe('value');
    ($this->many)('orders', [['A']], 'qty', '5')->assertStatus(422);
    ($this->many)('planning', [['A', ['x']]], 'safetyDays', '5')->assertStatus(422);
});

it('lets only those write who may, and shows it to all', function () {
    foreach (['viewer', 'buyer', 'sales'] as $role) {
        $this->actingAs(Demo::user($role));
        $this->get('/data?kind=planning')->assertOk();
        $answer = ($this->draft)(['change' => 'put_rows', 'kind' => 'items', 'rows' => [['code' => 'SPY']]]);
        if ($answer->status() === 200) {
            ($this->commit)()->assertStatus(422);
        }
        expect(DB::table('items')->where('code', 'SPY')->exists())->toBeFalse();
    }
    $this->actingAs(Demo::user('scheduler'));
    ($this->draft)(['change' => 'put_rows', 'kind' => 'items', 'rows' => [['code' => 'SPY']]]);
    ($this->commit)()->assertStatus(422);
    expect(DB::table('items')->where('code', 'SPY')->exists())->toBeFalse();
});
