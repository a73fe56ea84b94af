<?php

declare(strict_types=1);

use App\Models\Draft;
use App\Planning\NetworkReader;
use Illuminate\Support\Facades\DB;
use Tests\Demo;
use Yposta\Core\Study\OrderRows;

beforeEach(function () {
    Demo::planned();
    $this->planner = Demo::user('planner');
    $this->actingAs($this->planner);
});

it('answers for an order as a thread, with the figures of each part, and drafts the answer', function () {
    $answer = $this->getJson('/complete/answer?of=order:M-1047')->assertOk()->json();
    expect($answer)->toMatchArray([
        'item' => 'WS-400', 'qty' => '24', 'wanted' => '2026-03-13', 'complete' => '2026-03-19', 'inTime' => false, 'decimals' => 0,
        'draftDay' => '2026-03-19',
    ])->and($answer['decidedBy'])->toContain('P-3308');
    $deciding = collect($answer['rows'])->where('holdUp', true);
    expect($deciding->pluck('label')->all())->toBe(['WS-400', 'SH-41', 'PCB-207'])
        ->and($deciding->first())->toMatchArray(['parent' => -1, 'wanted' => '2026-03-13', 'to' => '2026-03-19', 'lateDays' => 6]);
    $need = $answer['needs'][$deciding->last()['need']];
    expect($need)->toMatchArray(['item' => 'PCB-207', 'qty' => '23', 'short' => '13', 'decides' => true, 'date' => '2026-03-04'])
        ->and($need['identity'])->not->toBeNull()
        ->and(array_map(fn (array $one) => [$one['label'], $one['qty'], $one['late']], $need['cover']))->toBe([
            ['on hand, free for it', '10', false], ['P-3308, Tue 10 Mar', '13', true],
        ]);
    $this->postJson('/draft/lines', ['changes' => json_decode($answer['changes'], true)])->assertJsonPath(
        'state.lines.0.sentence',
        'M-1047 to Thu 19 Mar',
    );
});

it('draws what is asked as it draws the thread of the plan', function () {
    $asked = $this->getJson('/complete/answer?of=sales:SO-7719/1')->assertOk()->json('rows');
    $drawn = $this->get('/thread?of=sales:SO-7719/1')->assertOk()->viewData('page')['props']['rows'];
    $shape = fn (array $rows) => array_map(fn ($row) => array_intersect_key((array) $row, array_flip([
        'parent', 'level', 'kind', 'item', 'site', 'qty', 'from', 'to', 'wanted', 'lateDays', 'holdUp', 'repeated',
    ])), $rows);
    expect($shape(json_decode((string) json_encode($drawn), true)))->toBe($shape($asked));
});

it('finds the first day that works, whom it hurts, and the first that hurts nobody else', function () {
    $first = $this->getJson('/complete/earliest?of=order:M-1047')->assertOk()->json();
    expect($first['day'])->toBe('2026-03-19')->and($first['hurts'])->not->toBe([]);
    $then = fn (string $day) => $this->getJson("/complete/answer?of=order:M-1047&due={$day}")->json();
    expect($then($first['day']))->toMatchArray(['inTime' => true])->and($then($first['day'])['slips'])->not->toBe([])
        ->and($first['harmless'])->toBeGreaterThan($first['day'])
        ->and($then($first['harmless'])['inTime'])->toBeTrue()->and($then($first['harmless'])['slips'])->toBe([]);
    $easy = $this->getJson('/complete/earliest?of=stock:WS-400@OSK&qty=1')->json();
    expect($easy['hurts'])->toBe([])->and($easy['harmless'])->toBe($easy['day']);
    $this->get('/availability?of=order:M-1047')->assertRedirect('/complete?of=order%3AM-1047');
});

it('answers for items and sales lines, how many there could be, and what is bought in all', function () {
    expect($this->getJson('/complete/answer?of=sales:SO-7719/1')->json('inTime'))->toBeFalse()
        ->and($this->getJson('/complete/possible?of=stock:WS-400@OSK&due=2026-04-10')->json())->toHaveKeys(['any', 'stock'])
        ->and(collect($this->getJson(
            '/complete/parts?of=stock:WS-400@OSK&qty=1000',
        )->json('rows'))->firstWhere('item', 'PCB-207'))->toMatchArray(['qty' => '1000', 'stock' => '10', 'missing' => '990'])
        ->and($this->getJson('/complete/subjects?q=m-104')->json('0.of'))->toStartWith('order:M-104');
    $this->getJson('/complete/answer?of=order:NONE')->assertStatus(422)
        ->assertJsonPath('message', 'There is no open order NONE. Nothing was changed.');
    $this->getJson('/complete/answer?of=order:M-1047&qty=0.5')->assertStatus(422)
        ->assertJsonPath('message', 'WS-400 has 0 decimals. Nothing was changed.');
});

it('tells the second of two people who hold the same stock', function () {
    $hold = fn (string $demand, string $key) => $this->postJson(
        '/reservations/hold',
        ['demand' => $demand, 'supply' => 'stock:GAS-14@OSK', 'qty' => '50', 'key' => $key],
    );
    $hold('part:M-1051/30', 'hold-key-00000000001')->assertOk();
    $this->actingAs(Demo::user('scheduler'));
    $hold('part:M-1047/30', 'hold-key-00000000002')->assertStatus(422)
        ->assertJsonPath('message', 'Only 24 of stock of GAS-14@OSK is free to be held; the rest is held for M-1051/30. Nothing was written.');

    expect(DB::table('allocations')->where('supply', 'stock:GAS-14@OSK')->sum('qty'))->toEqual(50_000_000);
    $this->actingAs(Demo::user('buyer'));
    $hold('part:M-1047/30', 'hold-key-00000000003')->assertStatus(422)->assertJsonPath('reason', 'forbidden');
});

it('holds for all ticked orders, gives to another and frees', function () {
    $this->postJson(
        '/reservations/hold-for',
        ['references' => ['order:M-1061', 'sales:SO-7714/1'], 'key' => 'hold-key-00000000001'],
    )->assertOk();
    $orders = collect($this->get('/reservations')->inertiaProps('orders'))->keyBy('reference');
    // material alone makes nothing: the chamber is full in the week in which this needs it; a field kit does not go there
    expect($orders['order:M-1047']['room'])->toBe('CAL-1 133 %, Mon 9 Mar')->and($orders['order:M-1061']['room'])->toBeNull()
        ->and($orders['sales:SO-7714/1']['room'])->toBeNull();
    expect($orders['order:M-1061']['status'])->toBe('complete')->and($orders['sales:SO-7714/1']['status'])->toBe('complete')
        ->and($orders['order:M-1063']['status'])->toBe('partly');
    $held = collect($this->get('/reservations?view=held')->inertiaProps('held'))->firstWhere('demand', 'sales:SO-7714/1');
    $this->postJson(
        '/reservations/give',
        [
            'demand' => $held['demand'], 'supply' => $held['supply'], 'other' => 'sales:SO-7719/1', 'qty' => $held['qty'],
            'key' => 'hold-key-00000000002',
        ],
    )->assertOk();
    expect(DB::table('allocations')->where('demand', 'sales:SO-7719/1')->exists())->toBeTrue()
        ->and(DB::table('allocations')->where('demand', 'sales:SO-7714/1')->exists())->toBeFalse();
    $this->postJson(
        '/reservations/free',
        ['demand' => 'sales:SO-7719/1', 'supply' => $held['supply'], 'key' => 'hold-key-00000000003'],
    )->assertOk();
    $this->postJson(
        '/reservations/free',
        ['demand' => 'sales:SO-7719/1', 'supply' => $held['supply'], 'key' => 'hold-key-00000000004'],
    )->assertStatus(422);
});

it('holds by rule what the plan gives an order when it is released, and that cannot be undone', function () {
    $this->postJson('/draft/lines', ['changes' => [['change' => 'release_order', 'order' => 'M-1061', 'released' => true]], 'sure' => true])->assertOk();
    $commit = $this->postJson('/draft/commit', ['version' => Draft::of($this->planner)->version, 'key' => 'commit-key-0000000001'])
        ->assertOk()->json('commit') ?? DB::table('commits')->max('id');

    expect(DB::table('orders')->where('code', 'M-1061')->value('status'))->toBe('released')
        ->and(DB::table('allocations')->where('demand', 'like', 'part:M-1061/%')->count())->toBe(2);
    $this->postJson("/journal/{$commit}/undo", ['key' => 'undo-key-000000000001'])->assertStatus(422)->assertJsonPath('reason', 'moved');
});

it('takes that material is missing also on an order that has its components from the structure', function () {
    expect(DB::table('order_components as c')->join('order_lines as l', 'l.id', '=', 'c.order_line_id')->where('l.code', 'M-1061')->count())
        ->toBe(0);
    [$row] = OrderRows::of(app(NetworkReader::class)->read(), 'M-1061');
    $this->postJson('/missing', ['order' => 'M-1061', 'line' => $row->line, 'until' => '2026-03-12', 'note' => ''])->assertOk();
    expect(DB::table('missing_materials')->value('item_code'))->toBe($row->item);
    $this->postJson('/missing', ['order' => 'M-1061', 'line' => 'no line', 'until' => '2026-03-12', 'note' => ''])
        ->assertStatus(422)->assertJsonPath('reason', 'gone');
    $this->postJson('/missing', ['order' => 'none', 'line' => '10', 'until' => '2026-03-12', 'note' => ''])->assertStatus(422);
});

it('lets anyone say that material is missing, and the planner see what slips', function () {
    $this->actingAs(Demo::user('viewer'));
    $id = $this->postJson('/missing', ['order' => 'M-1052', 'line' => '30', 'until' => '2026-03-12', 'note' => 'box is empty'])->assertOk()
        ->json('id');
    $this->postJson('/missing', ['order' => 'M-1052', 'line' => '999', 'until' => '2026-03-12', 'note' => ''])->assertStatus(422);
    $this->postJson("/missing/{$id}/deal")->assertForbidden();
    $this->actingAs($this->planner)->get('/')
        ->assertInertia(fn ($page) => $page->where('missing.0.item', 'CAS-2')->where('missing.0.note', 'box is empty'));
    $this->postJson("/missing/{$id}/draft")->assertOk();
    expect($this->getJson('/draft')->json('state.lines.0.sentence'))->toBe('M-1052 waits for CAS-2')
        ->and($this->getJson('/draft')->json('state.slips'))->not->toBeEmpty();
    $this->postJson("/missing/{$id}/deal")->assertOk();
    $this->postJson("/missing/{$id}/deal")->assertStatus(422)->assertJsonPath('reason', 'stale');
    $this->get('/')->assertInertia(fn ($page) => $page->where('missing', []));
});
