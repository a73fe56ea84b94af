<?php

declare(strict_types=1);

use App\Models\Run;
use App\Support\Settings;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    Demo::of(folderWith(Demo::copy('worked', [
        'work_centres.csv' => "work_centre,site,units\nBENCH,MAIN,1\n", 'shifts.csv' => "work_centre,weekdays,from,to\nBENCH,12345,06:00,14:00\n",
        'operations.csv' => "item,op,work_centre,run_min\nHEAD,10,BENCH,120\n",
        'items.csv' => "item,name,unit,decimals,phantom\nHEAD,Head,pc,0,0\nROD,Rod,pc,0,0\nGLUE,Glue,kg,3,0\nSHELL,Shell,pc,0,1\nLOOSE,Loose,pc,0,0\n",
        'sales.csv' => "order,line,item,site,qty,due,priority,customer\nS1,1,HEAD,MAIN,40,2026-03-24,2,Pier 9 Supply\n",
    ])));
    $this->actingAs(Demo::user('sales'));
    $this->ask = fn (array $more = []) => $this->postJson('/promise/answer', [
        'wishes' => [['item' => 'HEAD', 'site' => 'MAIN', 'qty' => '4']], 'wished' => '2026-03-03', ...$more,
    ]);
    $this->part = fn (string $qty = '4', string $date = '2026-03-03') => ['item' => 'HEAD', 'site' => 'MAIN', 'qty' => $qty, 'date' => $date];
    $this->send = fn (string $how, array $more = []) => $this->postJson("/promise/{$how}", [
        'lines' => [($this->part)()], 'customer' => 'Coastal Trust', 'key' => bin2hex(random_bytes(10)), ...$more,
    ]);
    $this->data = fn () => array_map(
        fn (string $table) => DB::table($table)->get()->toJson(), ['sales_lines', 'orders', 'order_lines', 'order_components', 'allocations'],
    );
    $this->lines = fn () => DB::table('sales_lines')->orderBy('id')->get()->map(fn ($row) => [
        "{$row->order_code}/{$row->line}", (int) $row->qty / 1_000_000, substr($row->due, 0, 10), (int) $row->priority, $row->customer,
        $row->held_until === null ? null : substr($row->held_until, 0, 10), $row->answered === null ? null : substr($row->answered, 0, 10),
    ])->all();
});

it('says when it can be had, of what, and what decides it', function () {
    $this->get('/promise')->assertOk();
    $item = ($this->ask)(['wishes' => [['item' => 'HEAD', 'site' => 'MAIN', 'qty' => '20']]])->assertOk()->json('items.0');
    expect($item)->toMatchArray([
        'earliest' => '2026-03-11', 'onDate' => '10', 'decidedBy' => 'ROD: lead time 5, time left 4 days',
        'split' => [['qty' => '10', 'day' => '2026-03-03'], ['qty' => '10', 'day' => '2026-03-11']],
    ])->and(array_map(fn (array $source) => [$source['label'], $source['qty'], $source['day']], $item['sources']))
        ->toBe([['in stock', '10', '2026-03-02'], ['proposal to make', '10', '2026-03-11']]);
});

it('promises several items at once, each by itself or all on one day', function () {
    $wishes = [['item' => 'HEAD', 'site' => 'MAIN', 'qty' => '8'], ['item' => 'HEAD', 'site' => 'MAIN', 'qty' => '14']];
    $each = ($this->ask)(['wishes' => $wishes])->assertOk()->json();
    expect(array_column($each['items'], 'earliest'))->toBe(['2026-03-03', '2026-03-11']); // the first takes what is there
    $all = ($this->ask)(['wishes' => $wishes, 'together' => true])->assertOk()->json();
    expect($all['day'])->toBe('2026-03-11')->and($all['decidedBy'])->toBe('ROD: lead time 5, time left 4 days')
        ->and(array_column($all['items'], 'earliest'))->toBe(['2026-03-11', '2026-03-11']);
});

it('holds, counts what is held in every answer and run, and drops it without a trace', function () {
    $before = ($this->data)();
    $message = ($this->send)('hold', ['until' => '2026-03-05'])->assertOk()->json('message');
    expect($message)->toBe('Held until Thu 5 Mar for E-1001 Coastal Trust: 4 pc HEAD by Tue 3 Mar')
        ->and(($this->lines)()[1])->toBe(['E-1001/1', 4, '2026-03-03', 9, 'Coastal Trust', '2026-03-05', null])
        ->and(($this->ask)(['wishes' => [['item' => 'HEAD', 'site' => 'MAIN', 'qty' => '7']]])->json('items.0.onDate'))->toBe('6');
    $this->get('/demand')->assertOk()->assertInertia(fn ($page) => $page->where('sales.0.heldUntil', '2026-03-05'));
    $this->get('/promise')->assertInertia(fn ($page) => $page->has('held', 1)->where('held.0.lapsed', false));
    expect(($this->send)('drop', ['reference' => 'sales:E-1001/1'])->assertOk()->json('message'))->toBe('Dropped what was held for E-1001/1 Coastal Trust')
        ->and(($this->data)())->toBe($before);
});

it('accepts with the orders that come of it, holds what serves it, and can be taken back by who may make orders', function () {
    $before = ($this->data)();
    $parts = ['lines' => [($this->part)('10'), ($this->part)('10', '2026-03-11')], 'order' => 'SO-9'];
    expect(($this->send)('accept', $parts)->assertOk()->json('message'))
        ->toBe('Promised to SO-9 Coastal Trust: 10 pc HEAD by Tue 3 Mar, 10 pc HEAD by Wed 11 Mar; 1 order made for it')
        ->and(array_slice(($this->lines)(), 1))->toBe([
            ['SO-9/1', 10, '2026-03-03', 5, 'Coastal Trust', null, null], ['SO-9/2', 10, '2026-03-11', 5, 'Coastal Trust', null, null],
        ])
        ->and(DB::table('allocations')->orderBy('id')->get()->map(fn ($row) => [$row->demand, $row->supply, (int) $row->qty / 1_000_000])->all())
        ->toBe([['sales:SO-9/1', 'stock:HEAD@MAIN', 10], ['sales:SO-9/2', 'order:M-1001', 10]])
        ->and(DB::table('orders')->pluck('status')->all())->toBe(['firm']);
    $this->actingAs(Demo::user('planner'));
    $this->postJson('/runs')->assertOk();
    $served = DB::table('plan_demands')->where('run_id', Run::live()->id)->where('name', 'SO-9')->orderBy('line')->get();
    expect($served->map(fn ($row) => substr($row->expected, 0, 10) <= substr($row->date, 0, 10))->all())->toBe([true, true]);
    $this->postJson('/journal/'.DB::table('commits')->max('id').'/undo', ['key' => bin2hex(random_bytes(10))])->assertOk();
    expect(($this->data)()[0])->toBe($before[0])->and(($this->data)()[4])->toBe($before[4])
        ->and(DB::table('orders')->pluck('status')->all())->toBe(['cancelled']);
});

it('accepts what is held, for another day by hand only when told so, and then keeps both days', function () {
    ($this->send)('hold', ['lines' => [($this->part)('20', '2026-03-11')], 'until' => '2026-03-05'])->assertOk();
    $early = ['lines' => [($this->part)('20', '2026-03-05')], 'of' => 'sales:E-1001/1'];
    ($this->send)('accept', $early)->assertStatus(422)->assertJsonPath('reason', 'gone');
    expect(($this->lines)()[1][5])->toBe('2026-03-05');
    ($this->send)('accept', [...$early, 'byHand' => true, 'held' => true])->assertOk();
    ($this->send)('accept', [...$early, 'byHand' => true, 'held' => true])->assertStatus(422)->assertJsonPath('reason', 'accepted');
    expect(($this->lines)()[1])->toBe(['E-1001/1', 20, '2026-03-05', 5, 'Coastal Trust', null, '2026-03-11']);
});

it('asks for another day of a line that stands, and splits it', function () {
    $item = ($this->ask)(['of' => 'sales:S1/1', 'wishes' => [['item' => 'HEAD', 'site' => 'MAIN', 'qty' => '40']]])->assertOk()->json('items.0');
    expect($item['onDate'])->toBe('10')->and($item['earliest'])->toBe('2026-03-11');
    ($this->send)('accept', ['of' => 'sales:S1/1', 'lines' => [($this->part)('10'), ($this->part)('30', '2026-03-11')]])->assertOk();
    expect(($this->lines)())->toBe([
        ['S1/1', 10, '2026-03-03', 2, 'Pier 9 Supply', null, null], ['S1/2', 30, '2026-03-11', 2, 'Pier 9 Supply', null, null],
    ]);
    ($this->send)('hold', ['of' => 'sales:S1/1', 'until' => '2026-03-05'])->assertStatus(422)->assertJsonPath('reason', 'accepted');
});

it('forgets what was answered once the line is accepted for a day that can be had', function () {
    $part = fn (string $date) => ['of' => 'sales:S1/1', 'lines' => [($this->part)('20', $date)]];
    ($this->send)('accept', [...$part('2026-03-05'), 'byHand' => true])->assertOk();
    expect(($this->lines)()[0])->toBe(['S1/1', 20, '2026-03-05', 2, 'Pier 9 Supply', null, '2026-03-11']);
    ($this->send)('accept', $part('2026-03-24'))->assertOk();
    expect(($this->lines)()[0])->toBe(['S1/1', 20, '2026-03-24', 2, 'Pier 9 Supply', null, null]);
});

it('gives the last pieces to one of two who promise them at once, and tells the other', function () {
    // the transactions that one promise begins: it reads in all but the last, in which it is written
    $begun = 0;
    $then = null;
    DB::connection()->beforeStartingTransaction(function () use (&$begun, &$then) {
        $begun++;
        $do = $then !== null && $begun === $then[0] ? $then[1] : null;
        if ($do !== null) {
            $then = null;
            $do();
        }
    });
    ($this->send)('accept', ['lines' => [($this->part)('1', '2026-04-20')], 'order' => 'SO-6'])->assertOk();
    $last = $begun;
    $begun = 0;
    $raced = false;
    $then = [$last, function () use (&$raced) {
        $raced = true;
        ($this->send)('accept', ['lines' => [($this->part)('10')], 'order' => 'SO-7'])->assertOk();
    }];
    ($this->send)('accept', ['lines' => [($this->part)('10')], 'order' => 'SO-8'])->assertStatus(422)->assertJsonPath('reason', 'gone');
    expect($raced)->toBeTrue()->and(array_column(($this->lines)(), 0))->toBe(['S1/1', 'SO-6/1', 'SO-7/1']);
});

it('lapses by itself, is told the day before, and is not accepted any more', function () {
    ($this->send)('hold', ['lines' => [($this->part)('10')], 'until' => '2026-03-03'])->assertOk();
    $this->get('/')->assertInertia(fn ($page) => $page->where('lines', fn ($lines) => collect($lines)->contains(
        fn ($line) => $line['title'] === '1 promise that is held' && $line['emphasis'] === 'lapses by tomorrow evening',
    )));
    Settings::set(Settings::PINNED_PLAN_DATE, '2026-03-04');
    $this->actingAs(Demo::user('planner'))->postJson('/runs')->assertOk();
    expect(DB::table('plan_demands')->where('run_id', Run::live()->id)->where('name', 'E-1001')->count())->toBe(0);
    $this->actingAs(Demo::user('sales'));
    ($this->send)('accept', ['of' => 'sales:E-1001/1', 'lines' => [($this->part)('10', '2026-03-04')]])
        ->assertStatus(422)->assertJsonPath('reason', 'lapsed');
    $this->get('/promise')->assertInertia(fn ($page) => $page->where('held.0.lapsed', true));
    $this->get('/demand')->assertInertia(fn ($page) => $page->has('sales', 1));
    ($this->send)('drop', ['reference' => 'sales:E-1001/1'])->assertOk();
});

it('shows who comes later for it before that may be chosen', function () {
    ($this->send)('hold', ['lines' => [($this->part)('10', '2026-03-05')], 'until' => '2026-03-30'])->assertOk();
    expect(($this->ask)()->json('items.0.earliest'))->toBe('2026-03-09');
    $hits = ($this->ask)(['regardless' => true])->json();
    expect($hits['items'][0]['earliest'])->toBe('2026-03-03')
        ->and($hits['hits'])->toHaveCount(1)->and($hits['hits'][0])->toMatchArray(['label' => 'E-1001/1', 'customer' => 'Coastal Trust', 'before' => '2026-03-02', 'after' => '2026-03-09']);
    $key = ['key' => bin2hex(random_bytes(10))];
    ($this->send)('accept', $key)->assertStatus(422)->assertJsonPath('reason', 'hits')->assertJsonPath('details.hits.0.label', 'E-1001/1');
    ($this->send)('accept', [...$key, 'agreed' => ['sales:E-1001/1']])->assertOk();
    $once = ($this->data)();
    ($this->send)('accept', [...$key, 'agreed' => ['sales:E-1001/1']])->assertOk(); // pressed twice
    expect(($this->data)())->toBe($once);
});

it('refuses what cannot be promised in words, and writes nothing', function (array $sent, string $says) {
    $before = ($this->data)();
    expect(($this->send)('accept', $sent)->assertStatus(422)->json('message'))->toContain($says)
        ->and(($this->data)())->toBe($before);
})->with([
    'yesterday' => [['lines' => [['item' => 'HEAD', 'site' => 'MAIN', 'qty' => '4', 'date' => '2026-03-01']]], 'Sun 1 Mar has passed'],
    'nothing' => [['lines' => [['item' => 'HEAD', 'site' => 'MAIN', 'qty' => '0', 'date' => '2026-03-09']]], 'above 0'],
    'a million millions' => [['lines' => [['item' => 'HEAD', 'site' => 'MAIN', 'qty' => '1000000000000', 'date' => '2026-03-09']]], 'up to 12 digits'],
    'more than anyone means' => [['lines' => [['item' => 'HEAD', 'site' => 'MAIN', 'qty' => '100000000000', 'date' => '2026-03-09']]], 'at once is more than'],
    'half of one' => [['lines' => [['item' => 'HEAD', 'site' => 'MAIN', 'qty' => '0.5', 'date' => '2026-03-09']]], 'decimals'],
    'an item that is none' => [['lines' => [['item' => 'TAIL', 'site' => 'MAIN', 'qty' => '1', 'date' => '2026-03-09']]], 'TAIL'],
    'nowhere' => [['lines' => [['item' => 'HEAD', 'site' => 'THERE', 'qty' => '1', 'date' => '2026-03-09']]], 'THERE'],
    'behind the plan' => [['lines' => [['item' => 'HEAD', 'site' => 'MAIN', 'qty' => '1', 'date' => '2036-03-09']]], 'after the end of the plan'],
    'a phantom' => [['lines' => [['item' => 'SHELL', 'site' => 'MAIN', 'qty' => '1', 'date' => '2026-03-09']]], 'is a phantom'],
    'what has no source' => [['lines' => [['item' => 'LOOSE', 'site' => 'MAIN', 'qty' => '1', 'date' => '2026-03-09']]], 'othing says how LOOSE comes to MAIN'],
    'the name of what is asked' => [['order' => 'PROMISE'], 'PROMISE'],
    'a line that is gone' => [['of' => 'sales:S7/1'], 'no sales line'],
    'another item than the line has' => [
        ['of' => 'sales:S1/1', 'lines' => [['item' => 'ROD', 'site' => 'MAIN', 'qty' => '4', 'date' => '2026-03-09']]], 'S1/1 is of HEAD at MAIN',
    ],
    'no code' => [['order' => "SO\t1"], 'SO'],
]);

it('lets nobody promise who may not', function (string $role) {
    $this->actingAs(Demo::user($role));
    $before = ($this->data)();
    foreach (['hold' => ['until' => '2026-03-05'], 'accept' => [], 'drop' => ['reference' => 'sales:S1/1']] as $how => $more) {
        ($this->send)($how, $more)->assertStatus(422)->assertJsonPath('reason', 'forbidden');
    }
    expect(($this->data)())->toBe($before)->and(($this->ask)()->status())->toBe(200);
})->with(['viewer', 'buyer', 'scheduler']);
