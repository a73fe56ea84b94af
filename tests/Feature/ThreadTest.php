<?php

declare(strict_types=1);

use App\Models\Draft;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('viewer'));
});

/** @return array<string, mixed> */
function thread($test, string $of, string $way = ''): array
{
    return json_decode(
        (string) json_encode($test->get('/thread?'.http_build_query(['of' => $of, 'way' => $way]))->assertOk()->viewData('page')['props']),
        true,
    );
}

it('stands each supply at its date below what it serves, the hold-up first', function () {
    $props = thread($this, 'sales:SO-7719/1');
    $strong = array_values(array_filter($props['rows'], fn ($row) => $row['holdUp']));

    expect(array_map(fn ($row) => "{$row['level']} {$row['kind']} {$row['item']} {$row['to']} +{$row['lateDays']}", $strong))->toBe([
        '0 line WS-400 2026-03-19 +6', '1 order WS-400 2026-03-19 +6', '2 proposal SH-41 2026-03-16 +6', '3 order PCB-207 2026-03-10 +6',
    ])->and(array_column(array_slice($props['rows'], 0, 4), 'id'))->toBe(array_column($strong, 'id'));
    foreach ($props['rows'] as $row) {
        $parent = $row['parent'] < 0 ? null : $props['rows'][$row['parent']];
        expect($row['level'])->toBe($parent === null ? 0 : $parent['level'] + 1)->and($row['from'] ?? $row['to'])
            ->toBeLessThanOrEqual($row['to']);
    }
});

it('tells where the time goes, who else waits and what would come next', function () {
    $props = thread($this, 'sales:SO-7719/1', 'hold-up');

    expect(array_map(
        fn ($step) => "{$step['label']} {$step['to']} {$step['days']}",
        $props['steps'],
    ))->toBe(['PCB-207 on order, P-3308 2026-03-10 6', 'SH-41 to be made 2026-03-16 6', 'WS-400 made, M-1047 2026-03-19 3'])
        ->and($props['beginning']['name'])->toBe('P-3308')->and(array_map(
            fn ($other) => $other['line']['label'],
            $props['others'],
        ))->toBe(['SO-7724/2 Pier 9 Supply', 'SO-7729/1 Sandwick Quays'])
        ->and($props['closed'])->toContain('2026-03-07')->not->toContain('2026-03-06');
    $this->getJson('/thread/without?of=sales:SO-7719/1')->assertOk()->assertJsonPath('lateDays', 0)
        ->assertJsonPath('expected', '2026-03-13');

    // the order may have gone since the plan was made; the thread still shows it
    $this->actingAs(Demo::user('administrator'));
    $this->postJson('/draft/lines', ['changes' => [['change' => 'cancel_order', 'order' => 'P-3308']]])->assertOk();
    $version = Draft::of(Demo::user('administrator'))->version;
    $this->postJson('/draft/commit', ['version' => $version, 'key' => str_repeat('k', 20)])->assertOk();
    $this->getJson('/thread/without?of=sales:SO-7719/1')->assertStatus(422)->assertJsonPath('reason', 'fit');
});

it('follows a purchase up to the customers, and an order down to raw stock', function () {
    $up = thread($this, 'order:P-3308', 'up');
    $lines = array_filter($up['rows'], fn ($row) => $row['kind'] === 'line');
    $down = thread($this, 'order:M-1047');

    expect(array_column($lines, 'label'))->toContain('SO-7719/1 Coastal Trust')->and($up['rows'][0]['reference'])->toBe('order:P-3308')
        ->and($down['rows'][0]['item'])->toBe('WS-400')->and(array_unique(array_column($down['rows'], 'kind')))->toContain('stock', 'proposal', 'order');
});

it('knows nothing of what is not in the plan', function () {
    $this->get('/thread?of=sales:NO/1')->assertNotFound();
    $this->get('/thread?of=stock:X')->assertNotFound();
    $this->get('/thread?of=')->assertNotFound();
});

it('stays within its rows when a structure is wide', function () {
    $number = DB::table('plan_demands')->where('kind', 'sales')->where('late_days', 0)->orderByDesc('qty')->first();

    expect(count(thread($this, "sales:{$number->name}/{$number->line}")['rows']))->toBeLessThanOrEqual(600);
});
