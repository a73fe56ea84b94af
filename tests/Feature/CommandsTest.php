<?php

declare(strict_types=1);

use App\Models\MasterItem;
use App\Models\Run;
use App\Models\User;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Process;
use Tests\Demo;
use Tests\Support;

$case = dirname(__DIR__).'/cases/worked';

it('imports a bundle and writes down that it did', function () use ($case) {
    $this->artisan('yposta:import', ['bundle' => $case, '--pin' => true])->assertExitCode(0)
        ->expectsOutputToContain('3 items, 3 planning points, 1 sales lines');

    expect(MasterItem::query()->pluck('code')->sort()->values()->all())->toBe(['GLUE', 'HEAD', 'ROD'])
        ->and(DB::table('activity_log')->value('description'))->toBe('Bundle worked imported: 3 items');
});

it('imports all or nothing', function (array $files, string $complaint) use ($case) {
    $folder = folderWith([...Support::folder($case), ...$files]);
    $this->artisan('yposta:import', ['bundle' => $folder])->assertExitCode(2);

    expect(Artisan::call('yposta:import', ['bundle' => $folder]))->toBe(2)->and(Artisan::output())->toContain($complaint)
        ->toContain('Nothing was imported.')
        ->and(MasterItem::query()->count())->toBe(0)->and(DB::table('sites')->count())->toBe(0);
})->with([
    'a wrong row' => [['stock.csv' => "item,site,qty\nROD,MAIN,20\nNAIL,MAIN,3\n"], "stock.csv line 3, item: there is no item 'NAIL'"],
    'a loop' => [['bom.csv' => "item,line,component,qty\nHEAD,10,HEAD,1\n"], 'the structure contains itself: HEAD > HEAD'],
    'a day that is none' => [['sales.csv' => "order,line,item,site,qty,due\nS1,1,HEAD,MAIN,40,2026-02-31\n"], 'there is no day 2026-02-31'],
    'no UTF-8' => [['items.csv' => "item,name\nHEAD,H\xe9ad\n"], 'items.csv line 2: the row is not UTF-8'],
    'nothing to plan' => [
        [
            'items.csv' => "item\n", 'planning.csv' => "item,site,supply\n", 'bom.csv' => "item,line,component,qty\n",
            'stock.csv' => "item,site,qty\n", 'sales.csv' => "order,line,item,site,qty,due\n",
        ],
        'items.csv: the bundle holds nothing to plan',
    ],
]);

it('keeps what is there when a bundle for its place is wrong', function () use ($case) {
    Artisan::call('yposta:import', ['bundle' => $case]);
    $folder = folderWith(['plan.csv' => "key,value\nplan_date,never\n"]);

    expect(Artisan::call('yposta:import', ['bundle' => $folder, '--replace' => true]))->toBe(2)->and(MasterItem::query()->count())->toBe(3);
});

it('does not put a bundle over data unless told to', function () use ($case) {
    Artisan::call('yposta:import', ['bundle' => $case]);

    expect(Artisan::call('yposta:import', ['bundle' => $case]))->toBe(2)->and(Artisan::output())
        ->toContain('holds data already; nothing was changed')
        ->and(Artisan::call('yposta:import', ['bundle' => $case, '--replace' => true]))->toBe(0);
});

it('says when there is no bundle', function () {
    expect(Artisan::call('yposta:import', ['bundle' => '/nowhere/at/all']))->toBe(2)->and(Artisan::output())
        ->toContain('is neither a folder nor a zip');
});

it('reads a zip as it reads a folder, whatever paths it holds', function () use ($case) {
    $zip = new ZipArchive;
    $path = folderWith([]).'/bundle.zip';
    $zip->open($path, ZipArchive::CREATE);
    foreach (Support::folder($case) as $name => $text) {
        $zip->addFromString("../../somewhere/{$name}", $text);
    }
    $zip->close();

    expect(Artisan::call('yposta:import', ['bundle' => $path]))->toBe(0)->and(MasterItem::query()->count())->toBe(3);
});

it('plans a bundle without the database', function () use ($case) {
    $out = folderWith([]).'/out';
    DB::enableQueryLog();

    expect(Artisan::call('yposta:plan', ['bundle' => $case, '--out' => $out]))->toBe(0)
        ->and(DB::getQueryLog())->toBe([])
        ->and(Artisan::output())->toMatch('/core: net \d+\.\d{3} s, projection \d+\.\d{3} s, peak \d+ MiB\n$/')
        ->and(file_get_contents("{$out}/proposals.csv"))->toBe(file_get_contents("{$case}/expected/proposals.csv"));
    array_map(unlink(...), glob("{$out}/*"));
    rmdir($out);
});

it('ends with status 2 and the errors for a bad bundle', function () {
    $loop = dirname(__DIR__).'/cases/loop';

    expect(Artisan::call('yposta:plan', ['bundle' => $loop, '--out' => '/nowhere']))->toBe(2)->and(Artisan::output())
        ->toContain('A > B > C > A')
        ->and(Artisan::call('yposta:plan', ['bundle' => $loop]))->toBe(2);
});

it('adds people with a role, and refuses what is wrong about them', function () {
    expect(Artisan::call('yposta:user', ['email' => 'New@Works.example', 'name' => 'New One', 'role' => 'buyer']))->toBe(0);
    preg_match('/password (\S+)\./', Artisan::output(), $shown);
    $user = User::query()->where('email', 'new@works.example')->firstOrFail();

    expect(Hash::check($shown[1], $user->password))->toBeTrue()->and($user->hasRole('buyer'))->toBeTrue()->and($user->can('run plan'))
        ->toBeFalse()
        ->and(Artisan::call('yposta:user', ['email' => 'x', 'name' => 'X', 'role' => 'king']))->toBe(2)
        ->and(Artisan::call(
            'yposta:user',
            ['email' => 'x@y.example', 'name' => 'X', 'role' => 'viewer', '--password' => 'short'],
        ))->toBe(2);
});

it('plans the live data as the headless run plans its bundle', function () {
    $run = Demo::planned();
    $plan = Support::plan(Support::bundle(Support::folder(dirname(__DIR__, 2).'/database/demo')));
    $stored = DB::table('plan_supplies as s')->join(
        'plan_points as p',
        fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'),
    )->where('s.run_id', $run->id)
        ->where('s.kind', 'proposal')->orderByRaw('cast(s.name as integer)')->get([
            's.name', 's.type', 'p.item_code', 'p.site_code', 's.qty', 's.start', 's.due', 's.available', 's.priority',
        ]);
    $headless = array_map(fn ($proposal) => [
        $proposal->name, $proposal->type?->value, $plan->structure->points[$proposal->point]->item->code,
        $plan->structure->points[$proposal->point]->site->code, $proposal->qty,
        Yposta\Core\Calendar\Day::format($proposal->start), Yposta\Core\Calendar\Day::format($proposal->due),
        Yposta\Core\Calendar\Day::format($proposal->available), $proposal->priority,
    ], $plan->proposals());

    expect($run->status)->toBe('done')->and($stored->map(fn ($row) => array_values((array) $row))->all())->toBe($headless)
        ->and(DB::table('plan_pegs')->where('run_id', $run->id)->count())->toBe(count($plan->pegs()))
        ->and(DB::table('plan_messages')->where('run_id', $run->id)->count())->toBe(count($plan->messages()))
        ->and(DB::table('plan_demands')->where('run_id', $run->id)->where('late_days', '>', 0)->where('kind', 'sales')
            ->count())->toBe($run->summary['lateLines']);
});

it('keeps the rows of a few runs only, and the summary of all', function () {
    Demo::planned();
    for ($times = 0; $times < 4; $times++) {
        Artisan::call('yposta:run');
    }

    expect(Run::query()->where('current', true)->pluck('id')->all())->toBe([Run::query()->max('id')])
        ->and(DB::table('plan_points')->distinct()->pluck('run_id'))->toHaveCount(3)
        ->and(Run::query()->whereNotNull('summary')->count())->toBe(5);
});

it('exports live data that imports to the same plan, orders made meanwhile included', function () {
    Demo::planned();
    $this->actingAs(Demo::user('planner'))
        ->postJson('/proposals/convert', [
            'run' => Run::live()->id,
            'key' => 'before the export',
            'lines' => [['number' => 1], ['number' => 300], ['number' => 700]],
            'agreed' => true,
        ])->assertOk();
    $zip = folderWith([]).'/live.zip';
    Artisan::call('yposta:run');
    $before = Run::live()->summary;

    expect(Artisan::call('yposta:export', ['bundle' => $zip]))->toBe(0)
        ->and(Artisan::call('yposta:import', ['bundle' => $zip, '--replace' => true, '--pin' => true]))->toBe(0)
        ->and(Artisan::call('yposta:run'))->toBe(0)
        ->and(Run::live()->summary)->toBe($before)
        ->and(Artisan::call('yposta:export', ['bundle' => '/proc/nowhere']))->toBe(2);
});

it('says that the plan runs from today where the plan date of a bundle is another day and is not kept', function () use ($case) {
    $said = function (array $more) use ($case): string {
        Artisan::call('yposta:import', ['bundle' => $case, '--replace' => true, ...$more]);

        return Artisan::output();
    };

    expect($said([]))->toContain('made for plan date 2026-03-02, but the plan runs from today')
        ->and($said(['--pin' => true]))->not->toContain('made for plan date');
    $this->travelTo('2026-03-02 08:00');
    expect($said([]))->not->toContain('made for plan date');
});

it('gives free text out as it came in, line breaks, tabs, quotes and blanks included, and shows it on one line', function () use ($case) {
    $name = "  Rod, \"long\"\r\n\tdrawn twice\n\nfor heads ";
    $quoted = '"'.str_replace('"', '""', $name).'"';
    $folder = folderWith([...Support::folder($case),
        'items.csv' => "item,name\nHEAD,Head\nROD,{$quoted}\nGLUE,Glue\n",
        'sites.csv' => "site,name,calendar\nMAIN,{$quoted},WORK\n",
        'suppliers.csv' => "supplier,name\nSUP,{$quoted}\n",
        'sales.csv' => "order,line,item,site,qty,due,customer\nS1,1,HEAD,MAIN,40,2026-03-13,{$quoted}\n",
    ]);
    $read = function (string $bundle): array {
        $network = Support::bundle(Support::folder($bundle))->network;

        return [
            $network->items['ROD']->name, $network->sites['MAIN']->name, $network->suppliers['SUP']->name, array_values($network->sales)[0]->customer,
        ];
    };
    $out = folderWith([]);

    expect(Artisan::call('yposta:import', ['bundle' => $folder, '--pin' => true]))->toBe(0, Artisan::output())
        ->and(Artisan::call('yposta:export', ['bundle' => $out]))->toBe(0, Artisan::output())
        ->and($read($folder))->toBe(array_fill(0, 4, $name))
        ->and($read($out))->toBe($read($folder));
});

it('has the types of the front end as they are sent', function () {
    $file = resource_path('js/lib/shapes.ts');
    $written = (string) file_get_contents($file);
    $this->artisan('yposta:types', ['--check' => true])->assertSuccessful();
    try {
        file_put_contents($file, str_replace('export interface Strip {', 'export interface Stripe {', $written));
        $this->artisan('yposta:types', ['--check' => true])->assertFailed();
    } finally {
        file_put_contents($file, $written);
    }
});

it('has the tables of the formats as the rows are declared', function () {
    $this->artisan('yposta:formats', ['--check' => true])->assertSuccessful();
    $file = base_path('docs/formats.md');
    $written = (string) file_get_contents($file);
    try {
        file_put_contents($file, str_replace('| stock.csv', '| stocks.csv', str_replace('`stock.csv` | item, site', '`stock.csv` | site', $written)));
        $this->artisan('yposta:formats', ['--check' => true])->assertFailed();
    } finally {
        file_put_contents($file, $written);
    }
});

it('finds a column that is declared and migrated in the bundle, the checks, the tables, the network, the changes and the formats', function () {
    $database = tempnam(sys_get_temp_dir(), 'column');
    $process = Process::env(['DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $database])
        ->run([PHP_BINARY, dirname(__DIR__).'/added-column.php']);
    array_map(unlink(...), glob("{$database}*") ?: []);
    expect($process->output())->toBeJson($process->errorOutput());
    $found = json_decode($process->output(), true);

    expect($found)->toMatchArray([
        'refused' => 'nerves', 'table' => [7, 3], 'network' => 7, 'bundle' => 'BOX,MAIN,make,,,,0,0,lot_for_lot,1,,,,,,,0,7',
        'kept change' => 5, 'read change' => 5, 'written change' => 5,
    ])->and($found['formats'])->toContain('frozen_days (0), nerves (3)');
});

it('keeps secrets from others: the script makes the settings and databases readable by their owner alone', function () {
    $folder = folderWith([]);
    $script = (string) file_get_contents(base_path('yposta'));
    $made = "{$folder}/made";
    exec('bash -c '.escapeshellarg(substr($script, 0, (int) strpos($script, 'cd "$(dirname'))."touch {$made}"));

    expect(fileperms($made) & 0077)->toBe(0)->and($script)->toContain('chmod 600 .env');
});
