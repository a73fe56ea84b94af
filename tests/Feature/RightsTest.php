<?php

declare(strict_types=1);

use App\Models\Draft;
use App\Support\Roles;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Schema;
use Tests\Demo;
use Tests\WritingRoutes;
use Yposta\Core\Study\ChangeCodec;

beforeEach(function () {
    Demo::of(folderWith(Demo::copy('worked', [
        'orders.csv' => "order,kind,status,item,site,supplier,qty,due\nP1,buy,firm,ROD,MAIN,SUP,50,2026-03-20\nM1,make,firm,HEAD,MAIN,,5,2026-03-20\n",
        'order_components.csv' => "order,line,item,qty\nM1,10,ROD,15\nM1,20,GLUE,2\n",
        'forecasts.csv' => "forecast,item,site,bucket,start,qty\nF,HEAD,MAIN,week,2026-03-16,3\n",
        'work_centres.csv' => "work_centre,site,units\nBENCH,MAIN,2\n", 'shifts.csv' => "work_centre,weekdays,from,to\nBENCH,12345,06:00,14:00\n",
        'operations.csv' => "item,op,work_centre,run_min\nHEAD,10,BENCH,30\n",
    ])));
});

/** What every table holds; what belongs to a session or is made by being asked is left out. */
function everyTable(): string
{
    $kept = array_diff(
        Schema::getTableListing(schemaQualified: false),
        ['sessions', 'cache', 'cache_locks', 'jobs', 'idempotency_keys', 'migrations', 'sqlite_sequence'],
    );

    // in whatever order a database gives them
    $rows = fn (string $table) => DB::table($table)->get()->map(fn ($row) => json_encode($row))->sort()->implode(',');

    return md5(implode("\n", array_map(fn (string $table) => $table.$rows($table), $kept)));
}

/** Routes that write nothing of the company: a person's own session, draft and filters. */
const OWN = [
    'POST sign-in', 'POST sign-out', 'POST account/password', 'POST site', 'POST shown-plan', 'POST views', 'DELETE views', 'DELETE draft',
    'DELETE draft/lines/{id}',
    'POST draft/lines/{id}/accept', 'POST draft/balances', 'POST draft/step', 'POST draft/commit', 'POST shortages/resolve', 'POST proposals/preview',
    'POST promise/answer', 'POST board/place', 'POST demo/day', 'POST count/look', 'POST account/calendar', 'POST data/many', 'POST data/look', 'POST structure/replace', 'POST calendar/look',
    'DELETE account/calendar', 'DELETE account/sessions',
];

it('lets only those write who may, at every route, and leaves every table as it was for the others', function (string $route) {
    foreach (['planner', 'buyer', 'scheduler', 'sales', 'floor', 'viewer'] as $role) {
        DB::beginTransaction();
        try {
            triesToWrite($route, $role);
        } finally {
            DB::rollBack();
        }
    }
})->with(fn () => array_keys(WritingRoutes::all()));

/** Sends as somebody what would write, and expects it written or refused. */
function triesToWrite(string $route, string $role): void
{
    [$right, $sends] = WritingRoutes::all()[$route];
    [$method, $path] = explode(' ', $route);
    $sent = $sends();
    $person = Demo::user($role);
    test()->actingAs($person);
    if ($route === 'POST draft/keep' && $person->can(Roles::STUDY)) {
        $stock = ['change' => 'change_stock', 'item' => 'GLUE', 'site' => 'MAIN', 'qty' => '2'];
        test()->postJson('/draft/lines', ['changes' => [$stock]])->assertOk();
    }
    $before = everyTable();
    $url = '/'.preg_replace_callback('/\{(\w+)\}/', fn (array $found) => (string) $sent[$found[1]], $path);
    $answer = test()->json($method, $url, $sent);
    $may = $right === null || array_intersect((array) $right, Roles::OF[$role]) !== [];

    if ($may) {
        expect($answer->status())->toBe(200, "{$route} by {$role}: ".$answer->getContent());
        $route === 'POST reservations/hold-for' || expect(everyTable())->not->toBe($before, "{$route} by {$role} has written nothing");
    } else {
        $forbidden = $answer->status() === 403 || ($answer->status() === 422 && $answer->json('reason') === 'forbidden');
        expect($forbidden)->toBeTrue("{$route} by {$role}: ".$answer->getContent())
            ->and(everyTable())->toBe($before, "{$route} by {$role} has written all the same");
    }
}

it('knows every route that writes', function () {
    $writing = [];
    foreach (Route::getRoutes() as $route) {
        foreach (array_diff($route->methods(), ['GET', 'HEAD']) as $method) {
            in_array('web', $route->middleware(), true) && $writing[] = "{$method} {$route->uri()}";
        }
    }
    $known = [...array_keys(WritingRoutes::all()), ...OWN];

    expect(array_values(array_diff($writing, $known)))->toBe([])->and(array_values(array_diff($known, $writing)))->toBe([]);
});

it('shows nothing to who has not signed in', function () {
    $checked = 0;
    foreach (Route::getRoutes() as $route) {
        if (! in_array('auth', $route->middleware(), true)) {
            continue;
        }
        $url = '/'.preg_replace('/\{[^}]+\}/', '1', str_replace(['{list}', '{format}'], ['plan', 'csv'], $route->uri()));
        foreach (array_diff($route->methods(), ['HEAD']) as $method) {
            $this->json($method, $url)->assertUnauthorized();
            $checked++;
        }
    }

    expect($checked)->toBeGreaterThan(60);
});

/**
 * Every change that can be drafted, with the right that writing it takes.
 *
 * @return array<string, array{string, array<string, mixed>}>
 */
function draftedChanges(): array
{
    $hold = ['demand' => 'sales:S1/1', 'supply' => 'stock:HEAD@MAIN'];
    $put = ['change' => 'put_order', 'order' => 'new:1', 'site' => 'MAIN', 'qty' => '5', 'due' => '2026-03-20'];

    return [
        'move a purchase' => [Roles::BUY, ['change' => 'move_order', 'order' => 'P1', 'due' => '2026-03-24']],
        'move a production order' => [Roles::MAKE, ['change' => 'move_order', 'order' => 'M1', 'due' => '2026-03-24']],
        'dates of a purchase' => [Roles::BUY, ['change' => 'change_dates', 'order' => 'P1', 'due' => '2026-03-24', 'start' => '2026-03-10']],
        'resize a purchase' => [Roles::BUY, ['change' => 'resize_order', 'order' => 'P1', 'qty' => '60']],
        'resize a production order' => [Roles::MAKE, ['change' => 'resize_order', 'order' => 'M1', 'qty' => '6']],
        'split a purchase' => [Roles::BUY, ['change' => 'split_order', 'order' => 'P1', 'qty' => '20', 'due' => '2026-03-27', 'rest' => 'new:1']],
        'cancel a purchase' => [Roles::BUY, ['change' => 'cancel_order', 'order' => 'P1']],
        'cancel a production order' => [Roles::MAKE, ['change' => 'cancel_order', 'order' => 'M1']],
        'a new purchase' => [Roles::BUY, [...$put, 'kind' => 'buy', 'item' => 'ROD', 'supplier' => 'SUP']],
        'a new production order' => [Roles::MAKE, [...$put, 'kind' => 'make', 'item' => 'HEAD']],
        'another supplier' => [Roles::BUY, ['change' => 'buy_from', 'order' => 'P1', 'supplier' => 'SUP']],
        'pin a purchase' => [Roles::BUY, ['change' => 'pin_order', 'order' => 'P1', 'pinned' => true]],
        'pin a production order' => [Roles::MAKE, ['change' => 'pin_order', 'order' => 'M1', 'pinned' => true]],
        'pin a purchase that is none' => [Roles::BUY, ['change' => 'pin_order', 'order' => 'P1', 'pinned' => false]],
        'send a purchase' => [Roles::BUY, ['change' => 'release_order', 'order' => 'P1', 'released' => true]],
        'urgency of a purchase' => [Roles::BUY, ['change' => 'prioritise_order', 'order' => 'P1', 'priority' => 2]],
        'urgency of a production order' => [Roles::MAKE, ['change' => 'prioritise_order', 'order' => 'M1', 'priority' => 2]],
        'a substitute' => [Roles::MAKE, ['change' => 'swap_component', 'order' => 'M1', 'line' => '10', 'substitute' => 'GLUE', 'ratio' => '1']],
        'a hold' => [Roles::HOLD, ['change' => 'hold_supply', ...$hold, 'qty' => '1']],
        'a sales line' => [Roles::FORECAST, ['change' => 'change_sales_line', 'order' => 'S1', 'line' => '1', 'due' => '2026-03-27']],
        'a new sales line' => [Roles::FORECAST, ['change' => 'put_sales_line', 'line' => [
            'order' => 'S77', 'line' => '1', 'item' => 'HEAD', 'site' => 'MAIN', 'qty' => '2', 'due' => '2026-03-27', 'customer' => 'Pier 9',
        ]]],
        'a sales line that goes' => [Roles::FORECAST, ['change' => 'remove_sales_line', 'order' => 'S1', 'line' => '1']],
        'a forecast' => [Roles::FORECAST, ['change' => 'set_forecast', 'forecast' => 'F', 'item' => 'HEAD', 'site' => 'MAIN', 'start' => '2026-03-16', 'qty' => '5']],
        'all demand' => [Roles::FORECAST, ['change' => 'scale_demand', 'percent' => 120, 'items' => [], 'customers' => []]],
        'a job' => [Roles::FORECAST, ['change' => 'put_rows', 'kind' => 'jobs', 'rows' => [['code' => 'J9', 'name' => 'Quay']]]],
        'stock' => [Roles::DATA, ['change' => 'change_stock', 'item' => 'GLUE', 'site' => 'MAIN', 'qty' => '2']],
        'planning data' => [Roles::DATA, ['change' => 'change_planning', 'item' => 'ROD', 'site' => 'MAIN', 'leadDays' => 9]],
        'an item' => [Roles::DATA, ['change' => 'put_rows', 'kind' => 'items', 'rows' => [['code' => 'BELL', 'unit' => 'pcs']]]],
        'a structure' => [Roles::DATA, ['change' => 'put_rows', 'kind' => 'bom', 'rows' => [
            ['item' => 'HEAD', 'line' => '77', 'component' => 'GLUE', 'qty' => '1'],
        ]]],
        'a closure as a row' => [Roles::MAKE, ['change' => 'put_rows', 'kind' => 'closures', 'rows' => [
            ['workCentre' => 'BENCH', 'from' => '2026-03-09 06:00', 'to' => '2026-03-10 14:00', 'units' => 1],
        ]]],
        'days of a calendar' => [Roles::DATA, [
            'change' => 'work_days', 'calendar' => (string) DB::table('calendars')->value('code'), 'from' => '2026-03-10', 'to' => '2026-03-11',
            'works' => false,
        ]],
        'a shift' => [Roles::MAKE, ['change' => 'add_shift', 'workCentre' => 'BENCH', 'weekdays' => '5', 'from' => '14:00', 'to' => '18:00']],
        'a machine that is down' => [Roles::MAKE, [
            'change' => 'close_centre', 'workCentre' => 'BENCH', 'from' => '2026-03-09 06:00', 'to' => '2026-03-10 14:00', 'unit' => 1,
        ]],
        'how fast a centre is' => [Roles::DATA, ['change' => 'change_efficiency', 'workCentre' => 'BENCH', 'efficiency' => '90']],
        'an operation moved' => [Roles::MAKE, [
            'change' => 'move_operation', 'order' => 'M1', 'op' => 10, 'workCentre' => 'BENCH', 'units' => '1', 'start' => '2026-03-09 06:00',
        ]],
        'an operation elsewhere' => [Roles::MAKE, ['change' => 'do_elsewhere', 'order' => 'M1', 'op' => 10, 'workCentre' => 'BENCH']],
        'an order off the board' => [Roles::MAKE, ['change' => 'take_off_board', 'order' => 'M1']],
        'an operation let go' => [Roles::MAKE, ['change' => 'fix_operation', 'order' => 'M1', 'op' => 10, 'fixed' => false]],
        'a crew' => [Roles::MAKE, ['change' => 'change_crew', 'order' => 'M1', 'op' => 10, 'crew' => 2]],
        'an order held back' => [Roles::MAKE, ['change' => 'hold_order', 'order' => 'M1', 'held' => true]],
        'an order not before' => [Roles::MAKE, ['change' => 'start_not_before', 'order' => 'M1', 'day' => '2026-03-09']],
        'an order to be done by' => [Roles::MAKE, ['change' => 'finish_by', 'order' => 'M1', 'day' => '2026-03-09']],
    ];
}

it('lets each role commit those changes that are its own, and no other', function () {
    $walked = [];
    foreach (array_keys(draftedChanges()) as $name) {
        [$right, $change] = draftedChanges()[$name];
        $walked[] = $change['change'];
        foreach (array_keys(Roles::OF) as $role) {
            DB::beginTransaction();
            $person = Demo::user($role);
            $this->actingAs($person);
            $drafted = $this->postJson('/draft/lines', ['changes' => [$change], 'sure' => true]);
            if (! $person->can(Roles::STUDY)) {
                expect($drafted->status())->toBe(403, "{$name} by {$role}");
            } else {
                $drafted->assertOk();
                $before = everyTable();
                $version = $drafted->json('state.version');
                $answer = $this->postJson('/draft/commit', ['version' => $version, 'key' => bin2hex(random_bytes(10))]);
                $may = $person->can($right);
                expect($drafted->json('state.lines.0.may'))->toBe($may, "{$name} by {$role}: the tray says so")
                    ->and($answer->status())->toBe($may ? 200 : 422, "{$name} by {$role}: ".$answer->getContent())
                    ->and(everyTable() === $before)->toBe(! $may, "{$name} by {$role}: the tables");
            }
            DB::rollBack();
        }
    }
    $kinds = array_diff(array_keys(ChangeCodec::KINDS), [
        'place_orders', 'place_proposals', 'put_allocations', 'put_closures', 'put_components', 'put_days', 'put_operations', 'put_shifts', 'put_demand', 'put_planning', 'remove_order', 'report_work',
        'count_rows', 'bring_orders', 'receive_order', 'reverse_receipt', 'issue_part', 'return_part', 'ship_line', 'take_back_line', 'issue_to_job', 'return_from_job', 'block_stock', 'scrap_blocked', // only take others back
        'free_supply', // has nothing to free here
    ]);

    expect(array_values(array_diff($kinds, $walked)))->toBe([]);
});

it('never writes a row of an order that is not the change\'s own', function () {
    $buyer = Demo::user('buyer');
    $this->actingAs($buyer);
    $row = fn (string $order) => ['order' => $order, 'line' => '90', 'item' => 'GLUE', 'qty' => '1'];
    $put = [
        'change' => 'put_order', 'order' => 'new:1', 'kind' => 'buy', 'item' => 'ROD', 'site' => 'MAIN', 'supplier' => 'SUP', 'qty' => '5',
        'due' => '2026-03-20',
    ];
    $this->postJson('/draft/lines', ['changes' => [[...$put, 'rows' => [$row('M1')]]]])->assertStatus(422);
    $this->postJson('/draft/lines', ['changes' => [[...$put, 'rows' => [$row('new:1')]]]])->assertOk();
    $version = Draft::of($buyer)->version;
    $this->postJson('/draft/commit', ['version' => $version, 'key' => bin2hex(random_bytes(10))])->assertOk();
    expect(DB::table('order_components')->where('item_code', 'GLUE')->where('qty', 1_000_000)->count())->toBe(1);
});
