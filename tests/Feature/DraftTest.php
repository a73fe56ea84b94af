<?php

declare(strict_types=1);

use App\Models\Draft;
use App\Models\Order;
use App\Models\OrderLine;
use App\Models\Run;
use App\Models\Study;
use App\Planning\NetworkReader;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->planner = Demo::user('planner');
    $this->actingAs($this->planner);
    $this->draft = fn (array ...$changes) => $this->postJson('/draft/lines', ['changes' => $changes]);
    $this->commit = fn (string $key = 'commit-key-0000000001') => $this->postJson(
        '/draft/commit',
        ['version' => Draft::of($this->planner)->version, 'key' => $key],
    );
    $this->data = fn () => serialize(app(NetworkReader::class)->read());
});

it('tries a purchase a week earlier without writing anything, and tells what it does', function () {
    $before = ($this->data)();
    $state = ($this->draft)(['change' => 'move_order', 'order' => 'P-3308', 'due' => '2026-03-03'])->assertOk()->json('state');
    $figures = array_column($state['figures'], null, 'name');

    expect($figures['lateLines'])->toMatchArray(['before' => '8', 'after' => '5', 'better' => true])
        ->and($state['lines'][0]['sentence'])->toBe('P-3308 to Tue 3 Mar')->and($state['lines'][0]['may'])->toBeTrue()->and($state['lines'][0]['trouble'])->toBeNull()
        ->and(array_column($state['slips'], 'label'))->toContain('SO-7719/1')
        ->and(($this->data)())->toBe($before);
});

it('tells the effect of each line on top of those above, and of all together', function () {
    ($this->draft)(['change' => 'move_order', 'order' => 'P-3308', 'due' => '2026-03-03']);
    $state = ($this->draft)(['change' => 'move_order', 'order' => 'P-3311', 'due' => '2026-03-06'])->json('state');
    $late = fn (array $figures) => (int) str_replace("\u{2212}", '-', array_column($figures, 'change', 'name')['lateLines'] ?? '0');

    expect($late($state['lines'][0]['figures']))->toBe(-3)->and($late($state['lines'][1]['figures']))->toBe(-1)
        ->and($late($state['figures']))->toBe(-4);
});

it('tells which balances of the plan it changes', function () {
    $points = ["PCB-207\x1fOSK", "SH-41\x1fOSK", "BAT-7\x1fLIN"];
    $ask = fn (string $as, string $show = 'balance') => $this->postJson(
        '/draft/balances',
        ['points' => $points, 'bucket' => 'week', 'as' => $as, 'show' => $show],
    )->assertOk()->json('balances');
    expect($ask('expected'))->toBe([]);
    ($this->draft)(['change' => 'move_order', 'order' => 'P-3308', 'due' => '2026-03-03']);

    // 10 there and 60 on Tuesday, less 23 on Wednesday; the week after, all is as it was
    expect($ask('expected')["PCB-207\x1fOSK"])->toBe(['2026-03-02' => '47'])->and($ask('expected'))->toHaveKey("SH-41\x1fOSK")->not
        ->toHaveKey("BAT-7\x1fLIN")->and($ask('expected', 'needed'))->toBe([]);
});

it('drops lines in any order, and undoes and redoes', function () {
    ($this->draft)(['change' => 'move_order', 'order' => 'P-3308', 'due' => '2026-03-03']);
    ($this->draft)(['change' => 'pin_order', 'order' => 'P-3311', 'pinned' => true]);
    $count = fn ($answer) => count($answer->json('state.lines'));

    expect($count($this->deleteJson('/draft/lines/1')))->toBe(1)
        ->and($count($this->postJson('/draft/step', ['back' => true])))->toBe(2)
        ->and($count($this->postJson('/draft/step', ['back' => true])))->toBe(1)
        ->and($count($this->postJson('/draft/step', ['back' => false])))->toBe(2)
        ->and($count($this->deleteJson('/draft')))->toBe(0)
        ->and($count($this->postJson('/draft/step', ['back' => true])))->toBe(2);
});

it('asks whether a typed quantity is meant that is far from what stood there', function () {
    $qty = (int) DB::table('order_lines')->where('code', 'P-3308')->value('qty') / 1_000_000;
    $change = ['change' => 'resize_order', 'order' => 'P-3308', 'qty' => (string) ($qty * 1000)];
    ($this->draft)($change)->assertStatus(422)->assertJsonPath('reason', 'absurd')->assertJsonCount(1, 'details.lines');
    expect(Draft::of($this->planner)?->lines ?? [])->toBe([]);
    $this->postJson('/draft/lines', ['changes' => [$change], 'sure' => true])->assertOk();
    ($this->draft)([...$change, 'qty' => (string) ($qty * 1001)])->assertOk(); // not far from what is drafted
});

it('refuses what does not fit, and says why', function (array $change, string $why) {
    ($this->draft)($change)->assertStatus(422)->assertJsonPath('message', $why);

    expect(Draft::of($this->planner)?->lines ?? [])->toBe([]);
})->with([
    'an order that is not there' => [
        ['change' => 'cancel_order', 'order' => 'P-9999'],
        'There is no open order P-9999. The draft is as it was.',
    ],
    'a kind of change nobody knows' => [['change' => 'wish'], 'This kind of change is not known. The draft is as it was.'],
    'what only takes something back' => [
        ['change' => 'put_allocations', 'held' => []],
        'This kind of change only takes others back. The draft is as it was.',
    ],
    'stock that was never counted' => [
        ['change' => 'change_stock', 'item' => 'PCB-207', 'site' => 'OSK', 'qty' => null],
        'This kind of change only takes others back. The draft is as it was.',
    ],
    'a new order that has come already' => [
        [
            'change' => 'put_order', 'order' => 'new:1', 'kind' => 'buy', 'item' => 'PCB-207', 'site' => 'OSK', 'qty' => '5',
            'due' => '2026-03-06', 'received' => '5',
        ],
        'A new order is firm, and nothing of it has come. The draft is as it was.',
    ],
    'a new order with a code of its own' => [
        [
            'change' => 'put_order', 'order' => 'P-9999', 'kind' => 'buy', 'item' => 'PCB-207', 'site' => 'OSK', 'qty' => '5',
            'due' => '2026-03-06',
        ],
        'A new order is called new:1, new:2 and so on until it is written. The draft is as it was.',
    ],
    'more than anyone means' => [
        ['change' => 'change_sales_line', 'order' => 'SO-7719', 'line' => '1', 'qty' => '9000000000000'],
        '9,000,000,000,000 of WS-400 at once is more than 1,000,000,000; type it in parts if it is meant. The draft is as it was.',
    ],
    'a day that nobody lives to see' => [
        ['change' => 'move_order', 'order' => 'P-3308', 'due' => '9999-12-31'],
        '9999-12-31 is too far away. The draft is as it was.',
    ],
    'a day long ago' => [
        ['change' => 'change_sales_line', 'order' => 'SO-7719', 'line' => '1', 'due' => '1902-03-02'],
        '1902-03-02 is too far away. The draft is as it was.',
    ],
    'an order that starts when it is over' => [
        ['change' => 'change_dates', 'order' => 'P-3308', 'due' => '2026-03-06', 'start' => '2026-03-09'],
        'The order starts after its due date. The draft is as it was.',
    ],
    'a part of a piece' => [
        [
            'change' => 'put_order', 'order' => 'new:1', 'kind' => 'buy', 'item' => 'PCB-207', 'site' => 'OSK', 'qty' => '5.5',
            'due' => '2026-03-06',
        ],
        "'5.5' has more decimals than the item, which has 0. The draft is as it was.",
    ],
    'something held for what needs something else' => [
        ['change' => 'hold_supply', 'demand' => 'sales:SO-7719/1', 'supply' => 'stock:GAS-14@OSK', 'qty' => '1'],
        'Stock of GAS-14@OSK is of GAS-14@OSK, and SO-7719/1 needs WS-400@OSK. The draft is as it was.',
    ],
    'a quantity that was received already' => [
        ['change' => 'resize_order', 'order' => 'P-3305', 'qty' => '10'],
        'Order P-3305 has received 20 already. The draft is as it was.',
    ],
    'stock held twice' => [
        ['change' => 'hold_supply', 'demand' => 'part:M-1047/70.10', 'supply' => 'stock:GAS-14@OSK', 'qty' => '100000'],
        'Only 74 of stock of GAS-14@OSK is free to be held. The draft is as it was.',
    ],
]);

it('commits all of it in one step, under new codes, and tells the journal', function () {
    ($this->draft)(['change' => 'move_order', 'order' => 'P-3308', 'due' => '2026-03-03']);
    ($this->draft)(
        [
            'change' => 'put_order', 'order' => 'new:1', 'kind' => 'buy', 'item' => 'PCB-207', 'site' => 'OSK', 'qty' => '15',
            'due' => '2026-03-06', 'supplier' => 'BRANTLOW',
        ],
        ['change' => 'hold_supply', 'demand' => 'part:M-1051/10', 'supply' => 'order:new:1', 'qty' => '3'],
    );
    $answer = ($this->commit)()->assertOk();
    $code = $answer->json('orders.0');

    expect(OrderLine::query()->where('code', 'P-3308')->value('due'))->toStartWith('2026-03-03')
        ->and(Order::query()->where('code', $code)->value('supplier_code'))->toBe('BRANTLOW')
        ->and(DB::table('allocations')->where('supply', "order:{$code}")->value('demand'))->toBe('part:M-1051/10')
        ->and(Draft::of($this->planner)->lines)->toBe([])
        ->and(DB::table('activity_log')->where('event', 'commit')
            ->value('description'))->toContain('P-3308 to Tue 3 Mar')->toContain('BRANTLOW');
});

it('writes one purchase order for each supplier and site', function () {
    foreach ([
        ['PCB-207', 'BRANTLOW', '2026-03-06'],
        ['GAS-14', 'HARLAN', '2026-03-05'],
        ['REL-2', 'BRANTLOW', '2026-03-16'],
    ] as [$item, $supplier, $due]) {
        ($this->draft)([
            'change' => 'put_order', 'order' => 'new:1', 'kind' => 'buy', 'item' => $item, 'site' => 'OSK', 'qty' => '20',
            'due' => $due, 'supplier' => $supplier,
        ])->assertOk();
    }
    $codes = ($this->commit)()->assertOk()->json('orders');
    $order = Order::query()->where('supplier_code', 'BRANTLOW')->orderByDesc('id')->firstOrFail();

    expect($codes)->toHaveCount(3)->and($codes)->toContain("{$order->code}.1", "{$order->code}.2")
        ->and($order->lines()->orderBy('number')->pluck('item_code')->all())->toBe(['PCB-207', 'REL-2'])
        ->and(Order::query()->where('supplier_code', 'HARLAN')->orderByDesc('id')->firstOrFail()->lines()->count())->toBe(1);
    $this->postJson('/journal/'.DB::table('commits')->max('id').'/undo', ['key' => 'undo-key-000000000001'])->assertOk();
    expect($order->refresh()->status)->toBe('cancelled');
});

it('takes a proposal that was tried as an order off the list, and puts it back when that is undone', function () {
    $row = DB::table('plan_supplies as s')->join(
        'plan_points as p',
        fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'),
    )->where('s.kind', 'proposal')->where('s.type', 'buy')->where('p.item_code', 'PCB-207')->orderBy('s.due')->first();
    $open = fn () => DB::table('conversions')->where('proposal', (int) $row->name)->doesntExist();
    ($this->draft)([
        'change' => 'put_order', 'order' => 'new:1', 'kind' => 'buy', 'item' => 'PCB-207', 'site' => 'OSK',
        'qty' => (string) intdiv((int) $row->qty, 1_000_000), 'due' => substr($row->due, 0, 10), 'supplier' => 'BRANTLOW',
        'run' => Run::live()->id, 'proposal' => (int) $row->name,
    ]);
    $commit = ($this->commit)()->assertOk()->json('commit');
    expect($open())->toBeFalse();
    $this->postJson(
        '/proposals/convert',
        ['run' => Run::live()->id, 'lines' => [['number' => (int) $row->name]], 'key' => 'convert-key-000000001'],
    )->assertStatus(422)->assertJsonPath('reason', 'converted');
    $this->postJson("/journal/{$commit}/undo", ['key' => 'undo-key-000000000001'])->assertOk();
    expect($open())->toBeTrue();
});

it('writes once when the button is pressed twice', function () {
    ($this->draft)([
        'change' => 'put_order', 'order' => 'new:1', 'kind' => 'buy', 'item' => 'PCB-207', 'site' => 'OSK', 'qty' => '15',
        'due' => '2026-03-06', 'supplier' => 'BRANTLOW',
    ]);
    $version = Draft::of($this->planner)->version;
    $orders = Order::query()->count();
    $first = $this->postJson('/draft/commit', ['version' => $version, 'key' => 'commit-key-0000000001'])->json();

    expect($this->postJson('/draft/commit', ['version' => $version, 'key' => 'commit-key-0000000001'])->json())->toBe($first)
        ->and(Order::query()->count())->toBe($orders + 1);
});

it('says which lines no longer fit when the data moved underneath, and writes nothing', function () {
    ($this->draft)(['change' => 'move_order', 'order' => 'P-3308', 'due' => '2026-03-03']);
    ($this->draft)(['change' => 'move_order', 'order' => 'P-3311', 'due' => '2026-03-06']);
    OrderLine::query()->where('code', 'P-3308')->update(['due' => '2026-03-12']);
    app()->forgetScopedInstances();
    $before = ($this->data)();

    ($this->commit)()->assertStatus(422)->assertJsonPath('message', 'P-3308 has been changed meanwhile. Nothing was written.')
        ->assertJsonPath('details.lines.0', 'P-3308 has been changed meanwhile');
    expect(($this->data)())->toBe($before)
        ->and($this->getJson('/draft')->json('state.lines.0.moved'))->toBeTrue()->and($this->getJson('/draft')->json('state.lines.1.moved'))->toBeFalse();
    $this->postJson('/draft/lines/1/accept')->assertJsonPath('state.lines.0.moved', false);
    ($this->commit)('commit-key-0000000002')->assertOk();
});

it('commits two lines that change one order, and undoes both', function () {
    $before = ($this->data)();
    ($this->draft)(['change' => 'move_order', 'order' => 'P-3308', 'due' => '2026-03-03'])->assertOk();
    $state = ($this->draft)(['change' => 'resize_order', 'order' => 'P-3308', 'qty' => '80'])->assertOk()->json('state');
    expect(array_column($state['lines'], 'moved'))->toBe([false, false]);
    $commit = ($this->commit)()->assertOk()->json('commit');

    expect(OrderLine::query()->where('code', 'P-3308')->value('qty'))->toEqual(80_000_000);
    $this->postJson("/journal/{$commit}/undo", ['key' => 'undo-key-000000000001'])->assertOk();
    expect(($this->data)())->toBe($before);
});

it('undoes a commit as a whole from the journal', function () {
    $before = ($this->data)();
    ($this->draft)(['change' => 'move_order', 'order' => 'M-1047', 'due' => '2026-03-16']);
    ($this->draft)(['change' => 'hold_supply', 'demand' => 'sales:SO-7705/1', 'supply' => 'stock:WS-200@LIN', 'qty' => '3']);
    ($this->draft)(['change' => 'change_stock', 'item' => 'PCB-207', 'site' => 'OSK', 'qty' => '50']);
    $commit = ($this->commit)()->json('commit');
    expect(($this->data)())->not->toBe($before);

    $this->postJson("/journal/{$commit}/undo", ['key' => 'undo-key-000000000001'])->assertOk()
        ->assertJsonPath('message', '3 changes undone.');
    expect(($this->data)())->toBe($before);
    $this->postJson("/journal/{$commit}/undo", ['key' => 'undo-key-000000000002'])->assertStatus(422)->assertJsonPath('reason', 'undone');
});

it('does not undo what was sent, started or changed since', function () {
    ($this->draft)(['change' => 'move_order', 'order' => 'M-1047', 'due' => '2026-03-16']);
    ($this->draft)(['change' => 'pin_order', 'order' => 'P-3311', 'pinned' => true]);
    $commit = ($this->commit)()->json('commit');
    Order::query()->where('code', 'M-1047')->update(['status' => 'released']);
    $before = ($this->data)();

    $this->postJson("/journal/{$commit}/undo", ['key' => 'undo-key-000000000001'])->assertStatus(422)->assertJsonPath('reason', 'moved');
    expect(($this->data)())->toBe($before);
});

it('keeps the draft as a study', function () {
    ($this->draft)(['change' => 'move_order', 'order' => 'P-3308', 'due' => '2026-03-03']);
    $answer = $this->postJson('/draft/keep', ['name' => 'Earlier boards'])->assertOk();

    expect(Study::query()->findOrFail($answer->json('study'))->changes)->toHaveCount(1)->and(Draft::of($this->planner)->lines)
        ->toHaveCount(1);
});

it('lets nobody write what is not theirs', function () {
    $this->actingAs(Demo::user('buyer'));
    $this->postJson('/draft/lines', ['changes' => [['change' => 'move_order', 'order' => 'M-1047', 'due' => '2026-03-16']]])->assertOk()
        ->assertJsonPath('state.lines.0.may', false);
    $this->postJson('/draft/commit', ['version' => Draft::of(Demo::user('buyer'))->version, 'key' => 'commit-key-0000000001'])
        ->assertStatus(422)->assertJsonPath('message', 'This is not yours to write. Nothing was written.');
    $this->actingAs(Demo::user('viewer'));
    $this->postJson(
        '/draft/lines',
        ['changes' => [['change' => 'move_order', 'order' => 'M-1047', 'due' => '2026-03-16']]],
    )->assertForbidden();

    expect(OrderLine::query()->where('code', 'M-1047')->value('due'))->toStartWith('2026-03-13');
});

it('shows others that there is a draft, and each their own', function () {
    ($this->draft)(['change' => 'move_order', 'order' => 'P-3308', 'due' => '2026-03-03']);
    $this->actingAs(Demo::user('buyer'));

    $this->get('/orders')->assertInertia(fn ($page) => $page->where('draft.lines', 0)->where('draft.others', [$this->planner->name]));
});

it('leaves proposals alone that are far away in time, or of another quantity', function (string $qty, string $due) {
    ($this->draft)([
        'change' => 'put_order', 'order' => 'new:1', 'kind' => 'buy', 'item' => 'PCB-207', 'site' => 'OSK', 'qty' => $qty,
        'due' => $due, 'supplier' => 'BRANTLOW',
    ]);
    ($this->commit)()->assertOk();

    expect(DB::table('conversions')->count())->toBe(0);
})->with([['17', '2026-03-20'], ['20', '2027-03-20']]);

it('finds in the journal what was done, by whom, and whether it was undone', function () {
    ($this->draft)(['change' => 'move_order', 'order' => 'M-1047', 'due' => '2026-03-16']);
    ($this->draft)(['change' => 'pin_order', 'order' => 'P-3311', 'pinned' => true]);
    $commit = ($this->commit)()->json('commit');
    $entry = fn () => collect($this->get('/journal?q=M-1047')->inertiaProps('entries'))->firstWhere('commit', $commit);
    expect($entry())->toMatchArray([
        'by' => $this->planner->name, 'sentence' => '2 changes committed', 'parts' => ['M-1047 to Mon 16 Mar', 'P-3311 pinned'],
        'undone' => false,
    ]);
    $this->postJson("/journal/{$commit}/undo", ['key' => 'undo-key-000000000001'])->assertOk();

    expect($entry()['undone'])->toBeTrue()->and($this->get('/journal?q=nothing like it')->inertiaProps('entries'))->toBe([]);
});

it('lets only those undo who may write it', function () {
    ($this->draft)(['change' => 'move_order', 'order' => 'M-1047', 'due' => '2026-03-16']);
    $commit = ($this->commit)()->json('commit');
    $this->actingAs(Demo::user('buyer'))->postJson("/journal/{$commit}/undo", ['key' => 'undo-key-000000000001'])->assertStatus(422)
        ->assertJsonPath('reason', 'forbidden');
    $this->actingAs(Demo::user('viewer'))->postJson("/journal/{$commit}/undo", ['key' => 'undo-key-000000000002'])->assertStatus(422);
    $this->actingAs(Demo::user('scheduler'))->postJson("/journal/{$commit}/undo", ['key' => 'undo-key-000000000003'])->assertOk();
});

it('refuses a commit of a draft that was changed in another window, or is empty', function () {
    $this->postJson('/draft/commit', ['version' => 1, 'key' => 'commit-key-0000000001'])->assertStatus(422)
        ->assertJsonPath('message', 'The draft is empty. Nothing was written.');
    ($this->draft)(['change' => 'move_order', 'order' => 'M-1047', 'due' => '2026-03-16']);
    $seen = Draft::of($this->planner)->version;
    ($this->draft)(['change' => 'pin_order', 'order' => 'P-3311', 'pinned' => true]);
    $this->postJson('/draft/commit', ['version' => $seen, 'key' => 'commit-key-0000000002'])->assertStatus(422)
        ->assertJsonPath('reason', 'stale');

    expect(Draft::of($this->planner)->lines)->toHaveCount(2);
});

it('marks in lists what it makes of orders, sales lines and supply', function () {
    ($this->draft)(['change' => 'move_order', 'order' => 'P-3308', 'due' => '2026-03-03']);
    ($this->draft)(['change' => 'change_sales_line', 'order' => 'SO-7719', 'line' => '1', 'qty' => '14']);
    ($this->draft)([
        'change' => 'put_order', 'order' => 'new:1', 'kind' => 'buy', 'item' => 'PCB-207', 'site' => 'OSK', 'qty' => '15',
        'due' => '2026-03-06', 'supplier' => 'BRANTLOW',
    ]);
    $marks = collect($this->getJson('/draft')->json('marks'))->keyBy('reference');

    expect($marks->keys()->all())->toBe(['order:P-3308', 'sales:SO-7719/1'])->and($marks['order:P-3308'])
        ->toMatchArray(['due' => '2026-03-03', 'text' => 'P-3308 to Tue 3 Mar'])
        ->and($marks['sales:SO-7719/1'])->toMatchArray(['due' => null, 'qty' => '14']);
});

it('writes a change of all demand in fewer than forty queries, and reads the network once', function () {
    ($this->draft)(['change' => 'scale_demand', 'percent' => 110, 'items' => [], 'customers' => []]);
    app()->forgetScopedInstances();
    $version = Draft::of($this->planner)->version;
    DB::enableQueryLog();
    $this->postJson('/draft/commit', ['version' => $version, 'key' => 'commit-key-0000000001'])->assertOk();
    $log = array_column(DB::getQueryLog(), 'query');

    expect(count($log))->toBeLessThan(50)
        ->and(count(array_filter($log, fn (string $query) => str_starts_with($query, 'select * from "bom_lines"'))))->toBe(1)
        ->and(DB::table('forecast_buckets')->max('version'))->toBeGreaterThan(1);
});
