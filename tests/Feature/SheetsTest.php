<?php

declare(strict_types=1);

use App\Models\Draft;
use App\Models\MasterItem;
use App\Models\Run;
use Illuminate\Support\Facades\DB;
use Tests\Demo;
use Tests\Support;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('viewer'));
});

/** @return list<array<string, string>> */
function sheet(string $path): array
{
    return Support::parse(test()->get($path)->assertOk()->streamedContent());
}

it('gives every proposal, or those on screen', function () {
    $rows = sheet('/sheets/proposals.csv');
    $due = sheet('/sheets/proposals.csv?until=2026-03-02&q=GAS');

    expect($rows)->toHaveCount(Run::live()->summary['proposals'])->and(array_unique(array_column($due, 'item')))->toBe(['GAS-14'])
        ->and($due[0])->toMatchArray([
            'supplier' => 'OSTREL', 'qty' => '50', 'unit' => 'pcs', 'start' => '2026-02-26', 'wanted' => '2026-03-06',
            'due' => '2026-03-10', 'currency' => 'EUR',
        ]);
});

it('gives the plan as it is filtered, by the periods on screen', function () {
    $rows = sheet('/sheets/plan.csv?bucket=month&sort=code&q=sh-');
    $page = $this->getJson('/plan/rows?bucket=month&sort=code&q=sh-')->json('rows');

    expect(array_column($rows, 'item'))->toBe(array_column($page, 'item'))->and($rows[0]['2026-04-01'])
        ->toBe($page[0]['cells'][1]['figure'])
        ->and(array_column(sheet('/sheets/plan.csv?bucket=month&sort=code&q=sh-&show=needed'), '2026-04-01'))
        ->toBe(array_map(
            fn (array $row) => $row['cells'][1]['figure'],
            $this->getJson('/plan/rows?bucket=month&sort=code&q=sh-&show=needed')->json('rows'),
        ))
        ->and(sheet('/sheets/plan.csv'))->toHaveCount(DB::table('plan_points')->count());
});

it('gives messages and the flow of an item', function () {
    $flow = sheet('/sheets/flow.csv?item=SH-41&at=OSK');

    expect(sheet('/sheets/messages.csv'))->toHaveCount(array_sum(Run::live()->summary['messages']))->and($flow[0])
        ->toMatchArray(['kind' => 'stock', 'balance' => '10']);
    $this->get('/sheets/flow.csv?item=GHOST&at=OSK')->assertNotFound();
    $this->get('/sheets/secrets.csv')->assertNotFound();
    $this->get('/sheets/plan.exe')->assertNotFound();
});

it('keeps a name that looks like a formula from being one', function () {
    MasterItem::query()->whereKey('GAS-14')->update(['name' => '=HYPERLINK("x")']);

    expect(sheet('/sheets/proposals.csv?q=GAS-14')[0]['name'])->toBe("'=HYPERLINK(\"x\")");
});

it('shuts strangers out', function () {
    auth()->logout();
    $this->get('/sheets/plan.csv')->assertRedirect('/sign-in');
});

it('gives each list as a workbook too, numbers as numbers and dates as dates', function (string $list, int $columns) {
    $response = $this->get("/sheets/{$list}.xlsx?item=SH-41&at=OSK")->assertOk();
    $path = $response->baseResponse->getFile()->getPathname();
    $zip = new ZipArchive;
    expect($zip->open($path))->toBeTrue();
    $sheet = simplexml_load_string((string) $zip->getFromName('xl/worksheets/sheet1.xml'));
    foreach (['[Content_Types].xml', '_rels/.rels', 'xl/workbook.xml', 'xl/_rels/workbook.xml.rels', 'xl/styles.xml'] as $part) {
        expect(simplexml_load_string((string) $zip->getFromName($part)))->not->toBeFalse();
    }
    $rows = $sheet->sheetData->row;

    expect(count($rows))->toBeGreaterThan(2)->and(count($rows[0]->c))->toBeGreaterThanOrEqual($columns)
        ->and((string) $rows[0]->c[0]->is->t)->not->toBe('')
        ->and(array_filter(iterator_to_array($rows[1]->c, false), fn ($cell) => isset($cell->v)))->not->toBeEmpty();
    unlink($path);
})->with([['proposals', 17], ['messages', 10], ['plan', 6], ['flow', 7]]);

it('takes the live data as a bundle that imports to the same plan', function () {
    $path = $this->actingAs(Tests\Demo::user('planner'))->get('/bundle.zip')->assertOk()->baseResponse->getFile()->getPathname();
    $kept = sys_get_temp_dir().'/kept-'.getmypid().'.zip';
    copy($path, $kept);
    $before = Run::live()->summary;
    app(App\Actions\ImportBundle::class)($kept, true, true);
    app(App\Actions\StartRun::class)([], null);
    unlink($kept);

    expect(Run::live()->summary)->toBe($before);
});

it('gives every list that is worked through, as it is filtered and sorted, whole', function () {
    $sales = sheet('/sheets/sales.csv?late=1&sort=-late');
    $shown = $this->getJson('/demand/rows?late=1&sort=-late')->json('rows');
    expect(array_map(fn (array $row) => "{$row['order']}/{$row['line']}", $sales))
        ->toBe(array_map(fn (array $row) => "{$row['order']}/{$row['line']}", $shown))
        ->and(count($sales))->toBeGreaterThan(5)->and(array_map(intval(...), array_column($sales, 'late_days')))
        ->toBe(array_column($shown, 'lateDays'))
        ->and(sheet('/sheets/sales.csv'))->toHaveCount(DB::table('sales_lines')->whereColumn('shipped', '<', 'qty')->count());

    $orders = sheet('/sheets/orders.csv?kind=buy&sort=-due');
    expect(array_column($orders, 'order'))->toBe(array_column($this->getJson('/order-rows?kind=buy&sort=-due')->json('rows'), 'code'))
        ->and(array_unique(array_column($orders, 'kind')))->toBe(['buy'])->and($orders)->not->toBe([]);

    $short = sheet('/sheets/shortages.csv?days=60');
    $told = $this->getJson('/shortages/rows?days=60')->json();
    expect($short)->toHaveCount($told['total'])->and(array_slice(array_column($short, 'item'), 0, 100))->toBe(array_column($told['rows'], 'item'));

    $held = sheet('/sheets/reservations.csv?status=none');
    expect(array_unique(array_column($held, 'state')))->toBe(['none'])
        ->and($held)->toHaveCount($this->get('/reservations?status=none')->inertiaProps('matching'));

    $this->actingAs(Demo::user('planner'));
    $this->postJson('/draft/lines', ['changes' => [['change' => 'move_order', 'order' => 'M-1047', 'due' => '2026-03-16']]])->assertOk();
    $this->postJson('/draft/commit', ['version' => Draft::of(Demo::user('planner'))->version, 'key' => bin2hex(random_bytes(10))])
        ->assertOk();
    expect(sheet('/sheets/journal.csv?q=m-1047')[0]['what'])->toContain('M-1047')->and(sheet('/sheets/journal.csv?q=nothing such'))->toBe([]);
});

it('prints a list as a list: all of its rows, under heads that one reads, in columns that hold something', function () {
    $page = $this->get('/sheets/proposals.html?q=GAS')->assertOk()->assertHeader('Content-Type', 'text/html; charset=UTF-8');
    $rows = sheet('/sheets/proposals.csv?q=GAS');
    expect(substr_count((string) $page->getContent(), '<tr>'))->toBe(count($rows) + 1);
    $page->assertSee('Proposals')->assertSee('Sales %')->assertDontSee('From site')->assertSee($rows[0]['due']); // none of these is moved
    $this->get('/sheets/orders.html?by=supplier')->assertOk()->assertSee('To come');
    MasterItem::query()->whereKey('GAS-14')->update(['name' => '<script>alert(1)</script>']);
    $this->get('/sheets/proposals.html?q=GAS')->assertOk()->assertDontSee('<script>alert', false);
});
