<?php

declare(strict_types=1);

use App\Reading\AboutView;
use App\Reading\MasterData;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('viewer'));
    $this->page = fn (string $of, string $code) => $this->get('/about?'.http_build_query(['of' => $of, 'code' => $code]))->assertOk()->inertiaPage()['props'];
});

it('has every row that names an item, a supplier or a work centre, and no other', function (string $of, string $code) {
    $page = ($this->page)($of, $code);
    expect($page['own']['identity'])->toBe([$code])->and(array_column(array_column($page['tables'], 'kind'), 'kind'))->toBe(AboutView::TABLES[$of]);
    foreach ($page['tables'] as $table) {
        $values = array_map(fn (array $row) => $row['values'][$table['by']], $table['list']['rows']);
        $all = array_filter(
            MasterData::named($table['kind']['kind'])->rows('', App\Reading\ListOrder::none(), 0, 100_000)->rows,
            fn ($row) => $row->values[$table['by']] === $code,
        );
        expect(array_unique($values))->toBe($values === [] ? [] : [$code])->and($table['list']['total'])->toBe(count($all));
    }
})->with([['items', 'PCB-207'], ['items', 'WS-400'], ['suppliers', 'FENNICK'], ['work_centres', 'ASM-1']]);

it('says how punctual a supplier was', function () {
    expect(($this->page)('suppliers', 'FENNICK')['facts'])->toBe([]); // nothing has come yet
    $line = DB::table('order_lines')->where('code', 'P-3308')->first();
    $this->actingAs(Demo::user('stores'));
    $this->postJson('/movements/receive', ['lines' => [['order' => 'P-3308', 'item' => '', 'qty' => '10']], 'key' => freshKey()])->assertOk();
    expect($line)->not->toBeNull()->and(($this->page)('suppliers', 'FENNICK')['facts'][0]['value'])->toBe('all of 1 in time');
});

it('shows so many rows of a kind, and how many there are', function () {
    for ($n = 1; $n <= 80; $n++) {
        DB::table('price_breaks')->insert(['supplier_code' => 'FENNICK', 'item_code' => 'PCB-207', 'from_qty' => (1000 + $n) * 1_000_000, 'price' => 1_000_000]);
    }
    $table = collect(($this->page)('suppliers', 'FENNICK')['tables'])->firstWhere('kind.kind', 'price_breaks');
    expect($table['list']['rows'])->toHaveCount(60)->and($table['list']['total'])->toBe(DB::table('price_breaks')->where('supplier_code', 'FENNICK')->count());
});

it('has no page of what is not there', function (string $query) {
    $this->get("/about?{$query}")->assertNotFound();
})->with(['of=items&code=GHOST', 'of=items', 'of=users&code=1', 'of=calendars&code=DELTA']);
