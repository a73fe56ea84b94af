<?php

declare(strict_types=1);

use App\Models\Run;
use App\Reading\PegGraph;
use App\Reading\PegTree;
use App\Reading\StoredPlan;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('viewer'));
});

/** @return list<array<string, mixed>> */
function pegRows(string $query): array
{
    return test()->get("/pegging?{$query}")->assertOk()->inertiaProps('rows');
}

it('follows a late sales line down to the order in which the delay begins', function () {
    $rows = pegRows('of=sales:SO-7719/1&way=hold-up');

    expect(array_map(
        fn ($row) => [$row['level'], $row['item'], $row['holdUp']],
        $rows,
    ))->toBe([[0, 'WS-400', true], [1, 'SH-41', true], [2, 'PCB-207', true]])
        ->and(array_column($rows[2]['servedBy'], 'label'))->toBe(['On hand', 'P-3308'])
        ->and($rows[0]['expected'])->toBe('2026-03-19');
    $this->get('/pegging?of=sales:SO-7719/1')->assertInertia(fn ($page) => $page->component('Pegging')->where('lateDays', 6)
        ->where('holdUp', 'PCB-207: order P-3308 comes Tue 10 Mar')->where('ways', ['down', 'hold-up']));
});

it('never says that nothing serves a need which has only not been read yet', function () {
    $plan = new StoredPlan(Run::live());
    $root = (int) DB::table('plan_demands')->where('run_id', Run::live()->id)->where('kind', 'sales')->where('name', 'SO-7803')->value('n');
    $graph = new PegGraph($plan, 5); // as a company does that is far larger than what is read at once
    $graph->readDown([$root]);
    $seen = [];
    for ($level = [$root]; $level !== []; $level = $next) {
        $next = [];
        foreach ($level as $demand) {
            $seen[$demand] = count($graph->served($demand));
            foreach ($graph->served($demand) as $peg) {
                foreach ($graph->inputs($plan->numberOf($peg->supply)) as $input) {
                    isset($seen[$input]) || $next[] = $input;
                }
            }
        }
    }
    $pegs = DB::table('plan_pegs')->where('run_id', Run::live()->id)->whereIn('demand', array_keys($seen))->groupBy('demand')
        ->selectRaw('demand, count(*) as number')->pluck('number', 'demand');
    expect(count($seen))->toBeGreaterThan(40);
    foreach ($seen as $demand => $count) {
        expect($count)->toBe((int) ($pegs[$demand] ?? 0));
    }
});

it('says where it stops and goes on from there', function () {
    $plan = new StoredPlan(Run::live());
    $root = (int) DB::table('plan_demands')->where('run_id', Run::live()->id)->where('kind', 'sales')->where('name', 'SO-7803')->value('n');
    $all = (new PegTree($plan))->down([$root], false);
    expect((new PegTree(new StoredPlan(Run::live()), 10))->down([$root], false))->toEqual(array_slice($all, 0, 10));
    foreach (['/pegging', '/thread'] as $page) {
        $this->get("{$page}?of=sales:SO-7803/1")->assertInertia(fn ($page) => $page->where('most', 600)->where('filter.rows', '600'));
        $this->get("{$page}?of=sales:SO-7803/1&rows=1200")->assertInertia(fn ($page) => $page->where('most', 1200));
        $this->get("{$page}?of=sales:SO-7803/1&rows=99999999")->assertInertia(fn ($page) => $page->where('most', 12_000));
    }
});

it('lists everything a sales line waits for, each order\'s needs once', function () {
    $rows = pegRows('of=sales:SO-7803/1');

    expect(count($rows))->toBeGreaterThan(40)->and(max(array_column($rows, 'level')))->toBeGreaterThan(4)->and(array_column($rows, 'item'))
        ->toContain('GRN-1')
        ->and(array_filter($rows, fn ($row) => $row['repeated']))->not->toBeEmpty();
    foreach ($rows as $place => $row) {
        $place === 0 || expect($row['level'])->toBeLessThanOrEqual($rows[$place - 1]['level'] + 1);
        expect($row['strip'])->not->toBeNull();
    }
});

it('follows a purchase up to the customers, adding up to what it serves', function () {
    $rows = pegRows('of=order:P-3308&way=up');
    $direct = array_filter($rows, fn ($row) => $row['level'] === 0);
    $customers = array_map(
        fn ($row) => $row['what']['label'],
        array_filter($rows, fn ($row) => str_starts_with($row['what']['label'], 'SO-')),
    );

    expect(array_sum(array_map(fn ($row) => (float) $row['qty'], $direct)))->toBe(60.0)->and($customers)
        ->toContain('SO-7719/1 Coastal Trust', 'SO-7724/2 Pier 9 Supply');
});

it('takes proposals both ways', function () {
    $number = DB::table('plan_supplies as s')->join(
        'plan_points as p',
        fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'),
    )
        ->where('s.kind', 'proposal')->where('p.item_code', 'SH-41')->where('p.site_code', 'OSK')->orderBy('s.n')->value('s.name');

    expect(array_column(
        array_filter(pegRows("of=proposal:{$number}"), fn ($row) => $row['level'] === 0),
        'item',
    ))->toBe(['SM-12', 'HT-4', 'CAS-2', 'PCB-207', 'GAS-14', 'RES-9', 'CON-5', 'CAB-4x', 'SCR-M4'])
        ->and(pegRows("of=proposal:{$number}&way=up"))->not->toBeEmpty();
});

it('knows nothing of what is not in the plan', function (string $of) {
    $this->get("/pegging?of={$of}")->assertNotFound();
})->with(['sales:SO-0/1', 'order:P-0', 'proposal:999999', 'stock:SH-41@OSK', 'nonsense', '']);
