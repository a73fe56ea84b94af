<?php

declare(strict_types=1);

use App\Models\Draft;
use App\Planning\NetworkReader;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->planner = Demo::user('planner');
    $this->actingAs($this->planner);
    $this->rows = fn (string $query = 'days=14') => collect($this->getJson("/shortages/rows?{$query}")->assertOk()
        ->json('rows'))->keyBy('identity');
    $this->remedies = fn (string $identity, string $item) => array_map(
        fn (string $line) => json_decode($line, true),
        array_filter(explode(
            "\n",
            $this->get('/shortages/remedies?'.http_build_query(['identity' => $identity, 'item' => $item]))->assertOk()->streamedContent(),
        )),
    );
});

it('lists what is not covered in time, because of what, whom it hits and when to order', function () {
    $all = $this->getJson('/shortages/rows?days=14')->assertOk()->json();
    $row = ($this->rows)('days=14&q=M-1047')['part:M-1047/10'];
    $sum = fn (array $list, string $state) => array_sum(array_column($list['days'], $state));

    expect([$sum($all, 'waiting'), $sum($all, 'passed')])->toBe([16, 6])
        ->and($all['total'])->toBe($sum($all, 'waiting') + $sum($all, 'passed') + $sum($all, 'orderNow'))
        ->and($all['needs'])->toBe($all['total'])->and(count($all['rows']))->toBe(min(100, $all['total']))
        ->and($row)->toMatchArray([
            'item' => 'SH-41', 'state' => 'waiting', 'qty' => '24', 'short' => '16', 'date' => '2026-03-10',
            'expected' => '2026-03-16', 'lateDays' => 6, 'because' => 'its PCB-207 comes Tue 10 Mar',
        ])
        ->and($row['hits'])->toContain('Coastal Trust', 'Pier 9 Supply')->and($row['served'])->toContain('M-1052 brings 8 pcs on Tue 10 Mar')
        ->and($this->getJson('/shortages/rows?days=0')->json('total'))->toBeLessThan($all['total'])
        ->and(($this->rows)('days=14&state=covered')->pluck('state')->unique()->all())->toBe(['covered']);
    $said = collect($all['rows'])->groupBy('state')->map(fn ($rows) => $rows->pluck('because')->first());
    expect($said['waiting'])->toBe('P-3302 comes Tue 3 Mar, 1 day late')->and($said['order_now'])->toStartWith('order by ')
        ->and($said['passed'])->toStartWith('not ordered; ');
});

it('narrows to the days that are picked, and stands by day, component, order or customer line, each heading counting all', function () {
    $picked = $this->getJson('/shortages/rows?days=18&from=2026-03-04&to=2026-03-06')->json();
    expect(collect($picked['rows'])->pluck('date')->unique()->sort()->values()->all())->toBe(['2026-03-04', '2026-03-05', '2026-03-06'])
        ->and(array_column($picked['groups'], 'label'))->toBe(['Wed 4 Mar', 'Thu 5 Mar', 'Fri 6 Mar'])
        ->and($picked['days'])->toEqual($this->getJson('/shortages/rows?days=18')->json('days'));
    foreach (['day', 'component', 'order', 'customer'] as $by) {
        $rows = $heads = [];
        do {
            $page = $this->getJson("/shortages/rows?days=30&by={$by}&offset=".count($rows))->json();
            array_push($rows, ...$page['rows']);
            $heads += array_column($page['groups'], 'rows', 'key');
        } while (count($rows) < $page['total'] && $page['rows'] !== []);
        expect(collect($rows)->countBy('group')->all())->toEqual($heads, $by)->and(count($rows))->toBe($page['total'])
            ->and(collect($rows)->unique('identity')->count())->toBe($page['needs']);
    }
    $line = collect($this->getJson('/shortages/rows?days=18&by=customer&q=SO-7719')->json('groups'))->firstWhere('key', 'SO-7719/1 Coastal Trust');
    expect($line['note'])->toStartWith('due Fri 13 Mar, 6 days late, ');
});

it('stands by weeks where the window is long, and tells the one that is open wherever it is', function () {
    $long = $this->getJson('/shortages/rows?days=55')->json();
    expect(count($long['days']))->toBe(8)->and($long['days'][1])->toMatchArray(['from' => '2026-03-09', 'to' => '2026-03-15']);
    $open = $this->getJson('/shortages/rows?days=0&state=covered&open='.urlencode('part:M-1047/10'))->json('opened');
    expect($open['state'])->toBe('waiting')->and($this->getJson('/shortages/rows?days=0&open=part:M-1/1')->json('opened'))->toBeNull();
});

it('counts purchases that are not sent as the plan is set', function () {
    $orderNow = fn () => array_sum(array_column($this->getJson('/shortages/rows?days=14')->json('days'), 'orderNow'));
    $before = $orderNow();
    $this->postJson('/shortages/unsent', ['counts' => false])->assertOk();
    expect($orderNow())->toBeGreaterThan($before);
    $this->get('/shortages')->assertInertia(fn ($page) => $page->where('plan.countsUnsent', false));
    expect(collect($this->getJson('/shortages/rows?days=60&state=order_now')->json('rows'))->pluck('because')->implode(' '))->toContain('is not sent');
    $this->postJson('/shortages/unsent', ['counts' => true])->assertOk();
    expect($orderNow())->toBe($before);
});

it('finds three ways out of the missing boards, each planned, and what each costs', function () {
    $board = ($this->rows)()->first(fn ($row) => $row['item'] === 'PCB-207' && $row['state'] === 'waiting');
    $found = collect(($this->remedies)($board['identity'], 'PCB-207'))->keyBy('row.kind');
    $late = fn (string $kind) => collect($found[$kind]['row']['figures'])->keyBy('name')['lateLines']['after'] ?? null;

    expect($found->keys()->sort()->values()->all())->toBe(['other_supplier', 'pull_in', 'substitute'])
        ->and($late('substitute'))->toBe('5')->and($late('pull_in'))->toBe('5')->and($late('other_supplier'))->toBe('7')
        ->and($found['substitute']['row']['solves'])->toBeTrue()->and($found['other_supplier']['row']['solves'])->toBeFalse()
        ->and($found['pull_in']['row']['letter'])->toContain('Dear Fennick Circuits')->toContain('P-3308')
        ->and($found['substitute']['cost'] < $found['other_supplier']['cost'])->toBeTrue();
});

it('tries a remedy, and what was short is covered with the draft', function () {
    $board = ($this->rows)()->first(fn ($row) => $row['item'] === 'PCB-207' && $row['state'] === 'waiting');
    $remedy = collect(($this->remedies)($board['identity'], 'PCB-207'))->firstWhere('row.kind', 'pull_in')['row'];
    $before = serialize(app(NetworkReader::class)->read());
    $this->postJson('/draft/lines', ['changes' => json_decode($remedy['changes'], true), 'title' => $remedy['title']])->assertOk()
        ->assertJsonPath('state.lines.0.sentence', $remedy['title']);

    expect(($this->rows)()->has($board['identity']))->toBeFalse()->and(serialize(app(NetworkReader::class)->read()))->toBe($before)
        ->and(($this->remedies)($board['identity'], 'PCB-207'))->toBe([]);
});

it('tells who slips when stock is taken from the less urgent order', function () {
    $this->postJson('/draft/lines', ['changes' => [['change' => 'move_order', 'order' => 'P-3340', 'due' => '2026-03-11']]])->assertOk();
    $slips = collect($this->getJson('/draft')->json('state.slips'));
    expect($slips->where('kind', 'order')->where('hurts', true)->pluck('label')->all())->toBe(['M-1061', 'M-1062', 'M-1063'])
        ->and($slips->firstWhere('label', 'M-1061')['need'])->toBe('part:M-1061/10');
    $take = collect(($this->remedies)('part:M-1061/10', 'REF-3'))->firstWhere('row.kind', 'take_from')['row'];

    expect($take['title'])->toBe('Take 10 pcs from M-1063')->and($take['solves'])->toBeTrue()
        ->and(collect($take['figures'])->firstWhere('name', 'lateLines')['change'])->toBe("\u{2212}1");
});

it('proposes a set for a whole list, none solved twice', function () {
    $needs = ($this->rows)()->where('state', 'waiting')->take(8)->map(fn ($row) => ['identity' => $row['identity'], 'item' => $row['item']])
        ->values()->all();
    $proposals = collect($this->postJson('/shortages/resolve', ['needs' => $needs])->assertOk()->json('proposals'));

    expect($proposals)->toHaveCount(8)->and($proposals->whereNotNull('remedy'))->not->toBeEmpty()
        ->and($proposals->whereNotNull('solvedBy'))->not->toBeEmpty()->and($proposals->where('inTime', true))->toBeEmpty()
        ->and($proposals->pluck('remedy.title')->filter()->duplicates()->all())->toBe([]);
});

it('does not say of what is in time that something solved it', function () {
    $needs = ($this->rows)()->filter(fn ($row) => $row['state'] === 'waiting')->take(2)
        ->concat(($this->rows)()->filter(fn ($row) => $row['state'] === 'order_now')
            ->take(2))->map(fn ($row) => ['identity' => $row['identity'], 'item' => $row['item']])->values()->all();
    $proposals = $this->postJson('/shortages/resolve', ['needs' => $needs])->json('proposals');

    expect(array_column($proposals, 'inTime'))->toBe([false, false, true, true])->and($proposals[2]['solvedBy'])->toBeNull();
});

it('accepts a shortage with a reason that others see, and takes it back', function () {
    $this->postJson('/shortages/accept', ['identity' => 'part:M-1047/10', 'reason' => 'The customer can wait'])->assertOk();
    $this->actingAs(Demo::user('buyer'));
    expect(($this->rows)()['part:M-1047/10']['accepted'])->toBe('The customer can wait');
    $this->postJson('/shortages/accept', ['identity' => 'part:M-1047/10', 'reason' => ''])->assertOk();
    expect(($this->rows)()['part:M-1047/10']['accepted'])->toBeNull();
    $this->actingAs(Demo::user('viewer'))->postJson('/shortages/accept', ['identity' => 'part:M-1047/10', 'reason' => 'x'])
        ->assertStatus(422)->assertJsonPath('reason', 'forbidden');
});

it('keeps filters as named views, each person their own', function () {
    $this->postJson(
        '/views',
        ['page' => 'shortages', 'name' => 'Mine', 'query' => 'days=28&by=order'],
    )->assertJsonPath('views.0.name', 'Mine');
    $this->get('/shortages')->assertInertia(fn ($page) => $page->component('Shortages')->where('views.0.query', 'days=28&by=order'));
    $this->actingAs(Demo::user('buyer'))->get('/shortages')->assertInertia(fn ($page) => $page->where('views', []));
    $this->actingAs($this->planner)->deleteJson('/views', ['page' => 'shortages', 'name' => 'Mine'])->assertJsonPath('views', []);
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

it('asks before an order is released whose material is not on hand, and says what brings it', function () {
    $release = fn (string $order, array $more = []) => $this->postJson('/draft/lines', [
        'changes' => [['change' => 'release_order', 'order' => $order, 'released' => true]], ...$more,
    ]);
    $asked = $release('M-1047')->assertStatus(422)->assertJsonPath('reason', 'lacks')->json('details.lines');
    expect($asked)->toContain('M-1047 needs 24 pcs more of SH-41: a proposal comes Mon 16 Mar')
        ->and(Draft::of($this->planner)?->lines ?? [])->toBe([]);
    $version = $release('M-1047', ['sure' => true])->assertOk()->json('state.version');
    $written = $this->postJson('/draft/commit', ['version' => $version, 'key' => 'released-without-its-material'])->assertOk();
    expect($written->json('commit'))->toBeNull(); // what was started is not taken back, so it is not offered
    $this->get('/journal')->assertInertia(fn ($page) => $page->where('entries.0.commit', null));
});

it('offers nothing that only takes back what was drafted, nothing twice, and what makes more lines late last', function () {
    $this->postJson('/draft/lines', ['changes' => [['change' => 'move_order', 'order' => 'P-3340', 'due' => '2026-03-11']]])->assertOk();
    $needs = ($this->rows)('days=30')->where('state', 'waiting')->where('because', 'P-3340 comes Wed 11 Mar, 2 days late');
    $needs = $needs->isEmpty() ? ($this->rows)('days=30&q=REF-3')->where('state', 'waiting') : $needs;
    expect($needs)->not->toBeEmpty();
    $seen = 0;
    foreach (($this->rows)('days=30')->where('state', 'waiting') as $need) {
        $found = collect(($this->remedies)($need['identity'], $need['item']));
        $titles = $found->pluck('row.title');
        expect($titles->unique()->count())->toBe($titles->count(), $need['identity']);
        foreach ($found as $one) {
            $seen++;
            $moves = collect(json_decode($one['row']['changes'], true))->where('change', 'move_order')->where('order', 'P-3340');
            expect($moves->where('due', '2026-03-09')->all())->toBe([], 'the date before the draft is no remedy')
                ->and($one['cost'][0])->toBe($one['row']['moreLate'] > 0 ? 1 : 0);
            expect(implode(' ', $one['row']['hurt']))->not->toContain('the new order');
        }
    }
    expect($seen)->toBeGreaterThan(10);
});
