<?php

declare(strict_types=1);

use App\Models\Draft;
use App\Planning\NetworkReader;
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

it('says where the shop has no room though the material would be there, unless the plan goes by the shop', function () {
    $rooms = function (): array {
        $lines = explode("\n", trim($this->get('/shortages/remedies?'.http_build_query(['identity' => 'part:M-1047/10', 'item' => 'SH-41']))->streamedContent()));

        return array_column(array_column(array_map(fn (string $line) => json_decode($line, true), $lines), 'row'), 'room', 'title');
    };
    expect($rooms()['Pull P-3308 in to Wed 4 Mar'])
        ->toBe('CAL-1 has no room for it: 133 % full in the week of Mon 9 Mar. It helps the material only.');
    $this->actingAs(Demo::user('planner'))->postJson('/runs', ['schedule' => true, 'scheduleDays' => 14])->assertOk();
    expect(array_filter($rooms()))->toBe([])->and($this->getJson('/complete/answer?of=order:M-1047')->json('withShop'))->toBeTrue();
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
