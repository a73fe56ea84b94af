<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('planner'));
    $this->page = fn (string $query = '') => json_decode((string) json_encode($this->get("/costs?{$query}")->assertOk()->viewData('page')['props']), true);
    $this->row = fn (array $page, string $item) => collect($page['rows'])->firstWhere('item', $item);
});

it('shows what is sold with its material and margin, as the parts add up to it', function () {
    $page = ($this->page)();
    $station = ($this->row)($page, 'WS-400');
    $parts = $this->getJson('/costs/parts?of=WS-400')->assertOk()->json();

    expect($page['total'])->toBe(DB::table('items')->where('sales_price', '>', 0)->count())
        ->and((float) $station['price'])->toBe(2190.0)->and($station['before'])->toBeNull()->and($station['isRolled'])->toBeTrue()
        ->and((float) $station['margin'])->toEqualWithDelta(2190.0 - (float) $station['cost'], 0.000001)
        ->and(array_sum(array_column($parts, 'cost')))->toEqualWithDelta((float) $station['cost'], 0.001)
        ->and($station['percent'])->toBe((int) round(1000 * (float) $station['margin'] / 2190));
    expect(array_column(($this->page)('sort=-margin')['rows'], 'margin'))->toBe(
        collect(($this->page)('sort=-margin')['rows'])->sortByDesc(fn ($row) => (float) $row['margin'])->pluck('margin')->values()->all(),
    );
    expect(($this->page)('show=all')['total'])->toBe(DB::table('items')->count())
        ->and(array_column(($this->page)('show=all&q=PCB-207')['rows'], 'item'))->toContain('PCB-207', 'PCB-207B')
        ->and($this->getJson('/costs/rows?show=all&offset=150')->assertOk()->json('rows'))->toHaveCount(DB::table('items')->count() - 150);
});

it('tries another cost on all that is made of it, and drafts it', function () {
    $before = ($this->page)();
    $page = ($this->page)('item=PCB-207&to=60');
    $difference = fn (string $item) => round((float) ($this->row)($page, $item)['cost'] - (float) ($this->row)($before, $item)['cost'], 4);

    expect($page['trial'])->toMatchArray(['item' => 'PCB-207', 'to' => '60', 'before' => '38.5'])
        ->and($difference('WS-400'))->toBe(21.5)->and($difference('BAT-7'))->toBe(0.0)
        ->and(($this->row)($page, 'WS-400')['before'])->toBe(($this->row)($before, 'WS-400')['cost'])
        ->and(($this->row)($page, 'WS-400')['marginBefore'])->toBe(($this->row)($before, 'WS-400')['margin'])
        ->and($page['rows'][0]['before'])->not->toBeNull() // what it changes stands first
        ->and($page['trial']['changed'])->toBe(collect(($this->page)('item=PCB-207&to=60&show=all')['rows'])->whereNotNull('before')->count());
    $this->postJson('/draft/lines', ['changes' => [json_decode($page['trial']['change'], true)]])->assertOk();
    $this->postJson('/draft/commit', ['version' => DB::table('drafts')->value('version'), 'key' => freshKey()])->assertOk();
    expect(($this->row)(($this->page)(), 'WS-400')['cost'])->toBe(($this->row)($page, 'WS-400')['cost']);
});

it('says what cannot be tried, and shows what is so', function (string $query, string $said) {
    $page = ($this->page)($query);

    expect($page['refusal'])->toContain($said)->and($page['trial'])->toBeNull()->and($page['rows'])->not->toBe([]);
    $this->getJson("/costs/rows?{$query}")->assertStatus(422);
})->with([
    ['item=GHOST&to=3', 'GHOST'], ['item=PCB-207&to=cheap', "'cheap'"], ['item=PCB-207&to=99999999999999999999', '9,000,000,000,000'],
    ['item=PCB-207&to=-5', "'-5' is negative"], ['item=PCB-207&to=1,200', "'1,200' can be read in two ways"],
]);

it('reads a cost as people write it', function (string $to, string $cost) {
    expect(($this->page)('item=PCB-207&to='.rawurlencode($to))['trial']['to'])->toBe($cost);
})->with([['12,5', '12.5'], ['1.200,50', '1200.5'], ['1,200.5', '1200.5'], ['0', '0']]);
