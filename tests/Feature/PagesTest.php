<?php

declare(strict_types=1);

use App\Actions\StartRun;
use App\Http\SharedProps;
use App\Models\Run;
use Illuminate\Support\Facades\DB;
use Tests\Demo;
use Yposta\Core\Plan\Summary;
use Yposta\Core\Quantity\Quantity;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('planner'));
});

it('says on Today what is late, past its date, to order, and wrong with open orders', function () {
    $summary = Run::live()->summary;
    $this->get('/')->assertInertia(fn ($page) => $page->component('Today')->where('planned', true)
        ->where('lines.0.title', 'SO-7719/1 Coastal Trust, 12 pcs WS-400:')->where('lines.0.tone', 'broken')
        ->where('figures.0.value', (string) $summary['lateLines'])
        ->has('days', 10)->where('days.0.day', '2026-03-02')->where('days.4.day', '2026-03-06')
        ->where('totals.salesLines', 82)); // two of them of a job
});

it('calls a sales line late whose date has passed, also where it is delivered today', function () {
    DB::table('sales_lines')->where('order_code', 'SO-7705')->where('line', '2')->delete();
    $line = DB::table('sales_lines')->orderBy('id')->get()->first(fn ($line) => DB::table('plan_demands')->where('run_id', Run::live()->id)
        ->where('name', $line->order_code)->where('line', $line->line)->where('late_days', 0)->where('expected', 'like', '2026-03-02%')->exists());
    expect($line)->not->toBeNull();
    DB::table('sales_lines')->where('id', $line->id)->update(['due' => '2026-02-25', 'priority' => 1]);
    app(StartRun::class)->again(null);
    $row = collect($this->get("/demand?q={$line->order_code}")->viewData('page')['props']['sales'])->first(fn ($row) => $row->line === $line->line);
    expect($row->due)->toBe('2026-02-25')->and($row->lateDays)->toBe(5)->and($row->reason)->toBe('its date has passed');
    $late = collect($this->get('/demand?late=1')->viewData('page')['props']['sales'])->pluck('reference');
    expect($late)->toContain("sales:{$line->order_code}/{$line->line}");
    $today = collect($this->get('/')->viewData('page')['props']['lines'])->first(fn ($one) => str_starts_with($one->title, "{$line->order_code}/{$line->line} "));
    expect($today->emphasis)->toBe('5 days late')->and($today->note)->toBe('its date has passed');
    $more = collect($this->get('/')->viewData('page')['props']['lines'])->first(fn ($one) => str_contains($one->title, 'more ordered'));
    expect($more->note)->toBe('1 of all '.count($late).' only because its date has passed')
        ->and((int) $more->title + 4)->toBe(count($late))
        ->and(count($late))->toBe(Run::live()->summary['lateLines'] + 1);
});

it('shows the plan grid by page, filtered and sorted', function () {
    $total = DB::table('plan_points')->count();
    $this->get('/plan')->assertInertia(fn ($page) => $page->component('Plan')->where('total', $total)->has('rows', 50)->has('periods', 26));
    $codes = fn (string $query) => array_column($this->getJson("/plan/rows?{$query}")->assertOk()->json('rows'), 'item');

    expect($codes('offset=50'))->toHaveCount(50)
        ->and($codes('q=ws-4&sort=code'))->toBe(['WS-400', 'WS-410'])
        ->and($codes('q=heated'))->toContain('SH-41', 'MA-23')
        ->and($codes('supplier=OSTREL'))->toContain('GAS-14')->not->toContain('PCB-207')
        ->and($codes('supply=transfer&sort=code'))->toBe(['BAT-7', 'CO-12', 'DL-8', 'RG-210', 'RS-60', 'SH-41', 'TX-5', 'WS-200'])
        ->and(count($codes('trouble=1')))->toBe(min(50, DB::table('plan_points')->whereNotNull('trouble_from')->count()))
        ->and($codes('q=%25'))->toBe([]);
    $urgent = $this->getJson('/plan/rows?sort=urgency&trouble=1')->json('rows.0');
    expect($urgent['cells'][0]['mark'])->toBeIn(['broken', 'dip']);
});

it('answers where a balance comes from', function () {
    $answer = $this->getJson('/plan/ask?item=SH-41&at=OSK&period=2026-03-09&as=expected')->assertOk()->json();
    $figures = array_map(floatval(...), array_filter(array_column($answer['lines'], 'qty'), fn ($qty) => $qty !== null));
    $balance = array_pop($figures);

    expect($answer['title'])->toBe('SH-41 at OSK, Mon 9 Mar to Sun 15 Mar')->and(array_sum($figures))->toBe($balance)->and($balance)
        ->toBeLessThan(0)
        ->and(end($answer['lines'])['tone'])->toBe('broken')->and(array_column(
            array_column($answer['pegs'], 'what'),
            'label',
        ))->toContain('M-1047 WS-400');
    $this->getJson('/plan/ask?item=SH-41&at=OSK&period=2030-01-01')->assertNotFound();
    $this->getJson('/plan/ask?item=GHOST&at=OSK&period=2026-03-09')->assertNotFound();
});

it('answers where a proposal comes from', function () {
    $number = DB::table('plan_supplies as s')->join(
        'plan_points as p',
        fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'),
    )
        ->where('s.kind', 'proposal')->where('p.item_code', 'GAS-14')->orderBy('s.n')->value('s.name');
    $detail = $this->getJson("/proposals/{$number}")->assertOk()->json();
    $texts = array_column($detail['answer']['lines'], 'text');

    expect($texts)->toContain('On hand', 'Net requirement', 'Rounded up to multiples of 50 pcs', 'This proposal')
        ->and(array_column($detail['ways'], 'name'))->toBe(['Ostrel Seals', 'Harlan Rubber'])
        ->and($detail['ways'][1]['possible'])->toBe('2026-03-05')
        ->and($detail['messages'][0]['code'])->toBe('start_passed');
    $this->getJson('/proposals/999999')->assertNotFound();
});

it('groups proposals and counts those due', function () {
    $this->get('/proposals')->assertInertia(fn ($page) => $page->component('Proposals')->where('until', '2026-03-08')
        ->where('total', Run::live()->summary['proposals']));
    $groups = fn (string $query) => $this->get("/proposals?{$query}")->inertiaProps('groups');

    expect(array_unique(array_column($groups('by=date&until=today'), 'title')))->each->toMatch('/^\w{3} \d+ (Feb|Mar)$/')
        ->and(array_column($groups('by=item&until=all&q=GAS-14'), 'title'))->toBe(['GAS-14 Gasket, 140'])
        ->and(array_sum(array_map(
            fn ($group) => count($group['rows']),
            $groups('until=today'),
        )))->toBe(DB::table('plan_supplies')->where('kind', 'proposal')->where('start', '<=', '2026-03-02')->count());
});

it('shows sales lines with their cover and the reason why they are late', function () {
    $rows = collect($this->get('/demand')->inertiaProps('sales'))->keyBy(fn ($row) => "{$row['order']}/{$row['line']}");
    $late = $rows['SO-7731/1'];

    expect($rows)->toHaveCount(80)->and($late['lateDays'])->toBe(7)->and($late['reason'])->toBe('RM-31: order P-3311 comes Fri 13 Mar')
        ->and($late['strip']['tooLate'])->toBeTrue()->and(array_column($late['strip']['parts'], 'kind'))->toBe(['stock', 'late'])
        ->and($this->get('/demand?late=1')->inertiaProps('sales'))->toHaveCount(
            // those too whose date has passed and that are delivered today
            Run::live()->summary['lateLines'] + $rows->where('reason', 'its date has passed')->count(),
        )->and($rows->where('reason', 'its date has passed')->count())->toBe(1)
        ->and($this->get('/demand?q=pier')->inertiaProps('sales'))->toHaveCount(6);
    $this->getJson('/demand/line?order=SO-7731&line=1')->assertOk()->assertJsonPath('pegsTitle', 'Served by');
    $this->getJson('/demand/line?order=SO-0&line=1')->assertNotFound();
});

it('shows an item, its structure both ways, and what it is planned by', function () {
    $this->get('/item?item=SH-41&at=OSK')->assertInertia(fn ($page) => $page->component('Item')->where('detail.level', 1)
        ->where('plannedAt', ['LIN', 'OSK'])
        ->where('detail.below.0.item', 'SM-12')->where('detail.below.1.level', 2)->where('detail.above.0.item', 'WS-400')->where('detail.flow.0.kind', 'stock'));
    $this->get('/item?item=GHOST')->assertNotFound();
    $this->get('/item?item=PCB-207B&at=OSK')->assertInertia(fn ($page) => $page->where('detail.flow.0.qty', '20'));
});

it('shows orders, open ones first, and finds the order of a line', function () {
    $rows = $this->get('/orders')->inertiaProps('orders');

    expect($rows)->toHaveCount(42)->and($rows[0]['code'])->toBe('P-3277')->and($rows[0]['message'])->toBe('overdue')
        ->and($rows[0]['daysLate'])->toBe(4)
        ->and(array_column($this->get('/orders?kind=transfer')->inertiaProps('orders'), 'code'))->toBe(['T-0518', 'T-0521'])
        ->and(array_column($this->get('/orders?said=1&q=P-3291')->inertiaProps('orders'), 'message'))->toBe(['cancel']);
    $this->get('/orders/line?code=P-3308')->assertRedirect('/orders/P-3308');
    $this->get('/orders/P-3308')->assertInertia(fn ($page) => $page->component('Order')->where(
        'order.lines.0.serves.0.what.label',
        fn ($label) => $label !== '',
    ));
    $this->get('/orders/M-1047')->assertInertia(fn ($page) => $page->has('order.lines.0.components', 13));
    $this->get('/orders/M-1042')->assertInertia(fn ($page) => $page->has('order.lines.0.components', 11)
        ->where('order.lines.0.components.0.strip.parts.0.kind', 'stock')->where('order.lines.0.components.1.line', '20')->where('order.lines.0.components.10.line', '110'));
    $this->get('/orders/P-0')->assertNotFound();
});

it('narrows everything to the site of the top bar', function () {
    $this->post('/site', ['site' => 'LIN'])->assertRedirect();

    expect(array_unique(array_column($this->getJson('/plan/rows')->json('rows'), 'site')))->toBe(['LIN'])
        ->and(array_unique(array_column($this->get('/demand')->inertiaProps('sales'), 'site')))->toBe(['LIN'])
        ->and(array_column($this->get('/orders')->inertiaProps('orders'), 'code'))->toBe(['T-0521']);
    $this->post('/site', ['site' => 'GHOST'])->assertSessionHasErrors('site');
});

it('finds anything', function (string $text, string $kind, string $label) {
    $hits = $this->getJson('/search?q='.urlencode($text))->assertOk()->json();

    expect(array_filter($hits, fn ($hit) => $hit['kind'] === $kind && $hit['label'] === $label))->not->toBeEmpty();
})->with([
    ['sh-4', 'item', 'SH-41'], ['gasket', 'item', 'GAS-14'], ['M-104', 'order', 'M-1047'], ['7719', 'sales', 'SO-7719'],
    ['coastal tr', 'customer', 'Coastal Trust'], ['ostr', 'supplier', 'Ostrel Seals'],
]);

it('shows every page before anything has been planned', function (string $path) {
    DB::table('runs')->delete();
    $this->get($path)->assertOk();
})->with(['/', '/demand', '/demand?view=forecast', '/plan', '/proposals', '/orders', '/orders/M-1047', '/item?item=SH-41']);

it('shows the unit price that the supplier asks where an order has none of its own', function () {
    $line = DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->join('supplier_items as s', fn ($join) => $join
        ->on('s.supplier_code', '=', 'o.supplier_code')->on('s.item_code', '=', 'l.item_code'))
        ->where('o.kind', 'buy')->whereNull('l.price')->whereNotNull('s.price')->orderBy('l.code')->first(['l.id', 'l.code', 's.price', 'l.qty']);
    $shown = fn () => $this->getJson("/order-detail/{$line->code}")->assertOk()->json();
    expect($shown()['lines'][0]['price'])->toBe(Quantity::format((int) $line->price))
        ->and($shown()['total'])->toBe((string) Summary::value((int) $line->qty, (int) $line->price));
    DB::table('order_lines')->where('id', $line->id)->update(['price' => 3_250_000]);
    expect($shown()['lines'][0]['price'])->toBe('3.25');
    DB::table('order_lines')->where('id', $line->id)->update(['price' => null]);
    DB::table('supplier_items')->update(['price' => null]);
    expect($shown()['lines'][0]['price'])->toBeNull()->and($shown()['total'])->toBeNull();
});

it('gives no page a prop of the name of one that every page has, which would stand twice or hide it', function () {
    $shared = ['errors', 'trouble', ...array_map(
        fn (ReflectionMethod $method) => $method->getName(),
        (new ReflectionClass(SharedProps::class))->getMethods(ReflectionMethod::IS_PUBLIC),
    )];
    $pages = array_map(fn (string $file) => 'App\\Reading\\Pages\\'.basename($file, '.php'), (array) glob(app_path('Reading/Pages/*Page.php')));
    $clashes = [];
    foreach ($pages as $page) {
        $own = array_map(fn (ReflectionProperty $property) => $property->getName(), (new ReflectionClass($page))->getProperties());
        array_intersect($own, $shared) === [] || $clashes[$page] = array_intersect($own, $shared);
    }
    expect(count($pages))->toBeGreaterThan(30)->and($clashes)->toBe([]);
});
