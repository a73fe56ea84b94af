<?php

declare(strict_types=1);

use App\Models\Draft;
use App\Models\Run;
use App\Models\User;
use App\Support\Roles;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Schema;
use Tests\Demo;

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

/**
 * Every route that writes, by method and path, with a request that would do so: the right it takes (one of some, null for none), and what
 * is sent; a name in the path is taken from what is sent.
 *
 * @return array<string, array{string|list<string>|null, Closure(): array<string, mixed>}>
 */
function writingRoutes(): array
{
    $proposal = fn (string $type) => (int) DB::table('plan_supplies')->where('run_id', Run::live()->id)->where('kind', 'proposal')
        ->where('type', $type)->orderBy('n')->value('name');
    $key = fn (): array => ['key' => bin2hex(random_bytes(10))];
    $commit = function (): int {
        test()->actingAs(Demo::user('administrator'));
        test()->postJson('/draft/lines', ['changes' => [['change' => 'change_stock', 'item' => 'GLUE', 'site' => 'MAIN', 'qty' => '2']]])
            ->assertOk();
        $version = Draft::of(Demo::user('administrator'))->version;

        return test()->postJson('/draft/commit', ['version' => $version, 'key' => bin2hex(random_bytes(10))])->assertOk()->json('commit');
    };
    $study = function (): int {
        test()->actingAs(Demo::user('administrator'));

        return test()->postJson('/studies', ['name' => 'Whose', 'changes' => [], 'parameters' => []])->assertOk()->json('id');
    };
    $missing = fn (): int => (int) DB::table('missing_materials')->insertGetId([
        'order_code' => 'M1', 'line' => '10', 'item_code' => 'ROD', 'until' => '2026-03-25', 'note' => '',
        'user_id' => User::query()->value('id'), 'created_at' => now(),
    ]);
    $hold = ['demand' => 'sales:S1/1', 'supply' => 'stock:HEAD@MAIN'];
    $held = function () use ($hold, $key): array {
        test()->actingAs(Demo::user('administrator'));
        test()->postJson('/reservations/hold', [...$hold, 'qty' => '5', ...$key()])->assertOk();

        return $hold;
    };
    $message = fn (): object => DB::table('plan_messages')->where('run_id', Run::live()->id)->where('reference', 'order:P1')->first();
    $anyone = array_values(array_unique(array_merge(...array_values(Roles::OF))));

    return [
        'POST demand/forecast' => [Roles::FORECAST, fn () => [
            'forecast' => 'F', 'item' => 'HEAD', 'site' => 'MAIN', 'start' => '2026-03-16', 'qty' => '9',
            'version' => (int) DB::table('forecast_buckets')->value('version'),
        ]],
        'POST proposals/convert' => [
            Roles::BUY,
            fn () => ['run' => Run::live()->id, 'agreed' => true, 'lines' => [['number' => $proposal('buy')]], ...$key()],
        ],
        'POST messages/answer' => [
            $anyone,
            fn () => ['identity' => $message()->identity, 'facts' => $message()->facts, 'state' => 'done', 'reason' => 'known'],
        ],
        'POST messages/apply' => [Roles::BUY, fn () => ['run' => Run::live()->id, 'n' => $message()->n, ...$key()]],
        'POST shortages/accept' => [Roles::STUDY, fn () => [
            'identity' => test()->actingAs(Demo::user('administrator'))->getJson('/shortages/rows?days=60')->assertOk()
                ->json('rows.0.identity'),
            'reason' => 'known',
        ]],
        'POST draft/lines' => [
            Roles::STUDY,
            fn () => ['changes' => [['change' => 'change_stock', 'item' => 'GLUE', 'site' => 'MAIN', 'qty' => '2']]],
        ],
        'POST draft/keep' => [Roles::STUDY, fn () => ['name' => 'Kept']],
        'POST reservations/hold' => [Roles::HOLD, fn () => [...$hold, 'qty' => '5', ...$key()]],
        'POST reservations/free' => [Roles::HOLD, fn () => [...$held(), ...$key()]],
        'POST reservations/give' => [Roles::HOLD, fn () => [...$held(), 'other' => 'sales:S1/1', 'qty' => '1', ...$key()]],
        'POST reservations/hold-for' => [Roles::HOLD, fn () => ['references' => ['order:M1'], ...$key()]],
        'POST missing' => [null, fn () => ['order' => 'M1', 'line' => '10', 'until' => '2026-03-25', 'note' => '']],
        'POST missing/{id}/draft' => [Roles::STUDY, fn () => ['id' => $missing()]],
        'POST missing/{id}/deal' => [$anyone, fn () => ['id' => $missing()]],
        'POST journal/{commit}/undo' => [Roles::DATA, fn () => ['commit' => $commit(), ...$key()]],
        'POST studies' => [Roles::STUDY, fn () => ['name' => 'New', 'changes' => [], 'parameters' => []]],
        'PUT studies/{study}' => [
            Roles::RUN,
            fn () => ['study' => $study(), 'name' => 'Mine now', 'version' => 1, 'changes' => [], 'parameters' => []],
        ],
        'POST studies/{study}/run' => [Roles::STUDY, fn () => ['study' => $study()]],
        'DELETE studies/{study}' => [Roles::RUN, fn () => ['study' => $study()]],
        'POST runs' => [Roles::RUN, fn () => []],
        'POST runs/refresh' => [Roles::RUN, fn () => []],
    ];
}

/** Routes that write nothing of the company: a person's own session, draft and filters. */
const OWN = [
    'POST sign-in', 'POST sign-out', 'POST site', 'POST shown-plan', 'POST views', 'DELETE views', 'DELETE draft',
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
})->with(fn () => array_keys(writingRoutes()));

/** Sends as somebody what would write, and expects it written or refused. */
function triesToWrite(string $route, string $role): void
{
    [$right, $sends] = writingRoutes()[$route];
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
    $known = [...array_keys(writingRoutes()), ...OWN];

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
