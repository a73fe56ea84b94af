<?php

declare(strict_types=1);

use App\Support\Roles;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Schema;
use Tests\Demo;
use Tests\WritingRoutes;

beforeEach(function () {
    Demo::of(folderWith(Demo::copy('worked', [
        'orders.csv' => "order,kind,status,item,site,supplier,qty,due\nP1,buy,firm,ROD,MAIN,SUP,50,2026-03-20\nM1,make,firm,HEAD,MAIN,,5,2026-03-20\n",
        'order_components.csv' => "order,line,item,qty\nM1,10,ROD,15\nM1,20,GLUE,2\n",
        'forecasts.csv' => "forecast,item,site,bucket,start,qty\nF,HEAD,MAIN,week,2026-03-16,3\n",
    ])));
});

/** What every table holds; what belongs to a session or is made by being asked is left out. */
function everyTable(): string
{
    $kept = array_diff(
        Schema::getTableListing(schemaQualified: false),
        ['sessions', 'cache', 'cache_locks', 'jobs', 'idempotency_keys', 'migrations', 'sqlite_sequence'],
    );

    return md5(implode("\n", array_map(fn (string $table) => $table.json_encode(DB::table($table)->get()), $kept)));
}

/** Routes that write nothing of the company: a person's own session, draft and filters. */
const OWN = [
    'POST sign-in', 'POST sign-out', 'POST account/password', 'POST site', 'POST shown-plan', 'POST views', 'DELETE views', 'DELETE draft',
    'DELETE draft/lines/{id}',
    'POST draft/lines/{id}/accept', 'POST draft/balances', 'POST draft/step', 'POST draft/commit', 'POST shortages/resolve',
];

it('lets only those write who may, at every route, and leaves every table as it was for the others', function (string $route) {
    foreach (['planner', 'buyer', 'scheduler', 'sales', 'viewer'] as $role) {
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
