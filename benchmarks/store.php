<?php

declare(strict_types=1);

use App\Actions\ImportBundle;
use App\Actions\StartRun;
use App\Models\Run;
use App\Reading\GridFilter;
use App\Reading\PlanGrid;
use App\Reading\StoredPlan;
use App\Trials\LivePlan;
use Benchmarks\RandomBundle;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Study\MoveOrder;

// How long it takes to store a plan of so many points in a database of its own, to read a page of the plan grid over it, and to try a
// change.

const TRIES = 12;

const LINES = 8;

$points = (int) ($argv[1] ?? 20_000);
$folder = sys_get_temp_dir().'/yposta-bench-'.getmypid();
mkdir($folder);
touch("{$folder}/bench.sqlite");
foreach ([
    'APP_ENV' => 'testing', 'APP_KEY' => 'base64:'.base64_encode(str_repeat('k', 32)), 'DB_CONNECTION' => 'sqlite',
    'DB_DATABASE' => "{$folder}/bench.sqlite", 'QUEUE_CONNECTION' => 'sync', 'SESSION_DRIVER' => 'array',
    'CACHE_STORE' => 'array',
] as $name => $value) {
    putenv("{$name}={$value}");
    $_ENV[$name] = $_SERVER[$name] = $value;
}
require __DIR__.'/../vendor/autoload.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
try {
    foreach ((new RandomBundle(7, $points, false))->files() as $name => $text) {
        file_put_contents("{$folder}/{$name}", $text);
    }
    Artisan::call('migrate', ['--force' => true]);
    app(ImportBundle::class)($folder, true, true);
    $stages = [];
    Run::updated(function (Run $run) use (&$stages): void {
        $stages[$run->status === 'done' ? 'end' : (string) $run->stage] ??= hrtime(true);
    });
    app(StartRun::class)([], null);
    $run = Run::live() ?? throw new RuntimeException('the run failed: '.Run::query()->value('trouble'));
    $rows = 0;
    foreach (['plan_points', 'plan_supplies', 'plan_demands', 'plan_pegs', 'plan_messages'] as $table) {
        $rows += DB::table($table)->where('run_id', $run->id)->count();
    }
    $store = ($stages['end'] - $stages['storing']) / 1e9;
    printf("stored      %8d points %9d rows %7.2f s %12s rows/s\n", $points, $rows, $store, number_format($rows / $store));
    foreach ([
        'first page' => [new GridFilter, 0], 'middle page' => [new GridFilter, intdiv($points, 2)],
        'filtered by text' => [new GridFilter(text: '42'), 0],
        'in trouble, by urgency' => [new GridFilter(inTrouble: true, sort: 'urgency'), 0],
    ] as $what => [$filter, $offset]) {
        $began = hrtime(true);
        $grid = new PlanGrid(new StoredPlan($run), BucketSize::Week, true);
        $grid->rows($filter, $offset, 50);
        $grid->query($filter)->count();
        printf("plan grid, %-24s %7.0f ms\n", $what, (hrtime(true) - $began) / 1e6);
    }
    $desk = app(LivePlan::class);
    $began = hrtime(true);
    $trial = $desk->live();
    printf("trial, made ready                   %7.0f ms\n", (hrtime(true) - $began) / 1e6);
    $orders = array_values(array_filter($trial->network()->orders, fn (OpenOrder $order) => $order->open() > 0 && $order->due > 0));
    $worst = $total = 0.0;
    for ($n = 0; $n < TRIES; $n++) {
        $order = $orders[intdiv(count($orders) * $n, TRIES)];
        $began = hrtime(true);
        $trial->tries([[new MoveOrder($order->code, $order->due + 3, $order->start === null ? null : $order->start + 3)]]);
        $seconds = (hrtime(true) - $began) / 1e9;
        $total += $seconds;
        $worst = max($worst, $seconds);
    }
    $lines = array_map(
        fn (OpenOrder $order) => [new MoveOrder($order->code, $order->due + 3, $order->start === null ? null : $order->start + 3)],
        array_slice($orders, 0, LINES),
    );
    $known = $trial->tries(array_slice($lines, 0, -1))->lines;
    $began = hrtime(true);
    $trial->tries($lines, $known);
    printf("trial, line %-2d of a draft            %7.0f ms\n", LINES, (hrtime(true) - $began) / 1e6);
    printf("trial, one change there and back    %7.0f ms, at worst %.0f ms\n", $total / TRIES * 1e3, $worst * 1e3);
} finally {
    array_map(unlink(...), glob("{$folder}/*") ?: []);
    rmdir($folder);
}
