<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;
use Illuminate\Support\Facades\Schema;

/** Starts something beside the test over a database file; killed where it is to be. */
function beside(string $file, string ...$command): Illuminate\Process\InvokedProcess
{
    return Process::env(['DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $file, 'QUEUE_CONNECTION' => 'sync'])->timeout(120)
        ->start([PHP_BINARY, ...$command]);
}

/** @return list<string> what a plan proposes, without the numbers of its rows */
function proposedIn(string $connection): array
{
    return DB::connection($connection)->table('plan_supplies as s')->join('plan_points as p', fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'))
        ->where('s.run_id', DB::connection($connection)->table('runs')->where('status', 'done')->max('id'))->orderBy('s.n')
        ->get(['s.kind', 's.name', 'p.item_code', 'p.site_code', 's.qty', 's.due', 's.available'])->map(fn (stdClass $row) => (string) json_encode($row))->all();
}

it('keeps stock the sum of the ledger while two post at once and one of them is killed again and again', function () {
    $file = tempnam(sys_get_temp_dir(), 'postings');
    $does = fn (string ...$command) => beside($file, 'artisan', ...$command)->wait();
    $bundle = folderWith(Tests\Demo::copy('worked', [
        'stock.csv' => "item,site,qty\nROD,MAIN,40\nGLUE,MAIN,30\nHEAD,MAIN,12\n",
        'sales.csv' => "order,line,item,site,qty,due,priority,customer\nS1,1,HEAD,MAIN,30,2026-03-24,2,Pier 9 Supply\nS2,1,HEAD,MAIN,14,2026-03-25,2,Voss Aqua\n",
        'orders.csv' => "order,kind,status,item,site,supplier,qty,due\nP1,buy,released,ROD,MAIN,SUP,90,2026-03-05\nP2,buy,released,GLUE,MAIN,SUP,40,2026-03-06\n"
            ."M1,make,released,HEAD,MAIN,,18,2026-03-10\n",
        'order_components.csv' => "order,line,item,qty\nM1,10,ROD,36\nM1,20,GLUE,18\n",
        'allocations.csv' => "demand,supply,qty\npart:M1/10,stock:ROD@MAIN,10\nsales:S2/1,stock:HEAD@MAIN,3\n",
    ]));
    foreach ([['migrate', '--force'], ['db:seed', '--class=DemoSeeder', '--force'], ['yposta:import', $bundle, '--pin']] as $command) {
        expect($does(...$command)->exitCode())->toBe(0);
    }
    config(['database.connections.posted' => ['driver' => 'sqlite', 'database' => $file, 'prefix' => '', 'busy_timeout' => 5000]]);
    $posted = fn () => DB::connection('posted');
    $agrees = function () use ($posted): void {
        $wrong = $posted()->select('select item_code, site_code from (select item_code, site_code, qty from stock union all select item_code, site_code, -qty from movements) as both_sides group by item_code, site_code having sum(qty) <> 0');
        expect($wrong)->toBe([])->and($posted()->table('stock')->where('qty', '<', 0)->count())->toBe(0)
            ->and($posted()->select("select supply from allocations a where a.supply like 'stock:%' group by supply having sum(qty) > coalesce((select s.qty from stock s where a.supply = 'stock:' || s.item_code || '@' || s.site_code), 0)"))->toBe([]);
    };
    $steady = beside($file, 'tests/posting-process.php', '1', '60');
    // the other is killed at whatever it does, and begun again with the same keys
    for ($try = 0, $killed = 0; $try < 6; $try++) {
        // the last ends by itself; the others would go on for longer than any machine is given for the test
        $other = beside($file, 'tests/posting-process.php', '2', $try < 5 ? '1000000' : '40');
        if ($try < 5) {
            for ($waited = 0; $waited < 600 && $other->running() && ! str_contains($other->output(), 'posting-'); $waited++) {
                usleep(100_000);
            }
            usleep(130_000 * $try);
            expect($other->running())->toBeTrue($other->errorOutput().$other->output());
            $other->signal(SIGKILL);
        }
        $killed += $other->wait()->exitCode() === 0 ? 0 : 1;
        $agrees();
    }
    expect($steady->wait()->exitCode())->toBe(0, $steady->errorOutput())->and($killed)->toBe(5);
    $agrees();
    $movements = $posted()->table('movements')->where('kind', '<>', 'import');
    expect((clone $movements)->count())->toBeGreaterThan(20)
        ->and($posted()->table('movements')->whereNotNull('counter_of')->groupBy('counter_of')->havingRaw('count(*) > 1')->count())->toBe(0)
        // a commit is answered under one key; what was killed has neither
        ->and($posted()->table('commits')->count())->toBe($posted()->table('idempotency_keys')->where('key', 'like', 'posting-%')->count());
    // a plan after all that is the plan of what can be taken out of it
    expect($does('yposta:run')->exitCode())->toBe(0)->and($does('yposta:check')->output())->toBe("All agrees.\n");
    $taken = folderWith([]);
    $copy = tempnam(sys_get_temp_dir(), 'copy');
    expect($does('yposta:export', $taken)->exitCode())->toBe(0);
    foreach ([['migrate', '--force'], ['db:seed', '--class=DemoSeeder', '--force'], ['yposta:import', $taken, '--pin'], ['yposta:run']] as $command) {
        $made = beside($copy, 'artisan', ...$command)->wait();
        expect($made->exitCode())->toBe(0, $made->errorOutput());
    }
    config(['database.connections.copied' => ['driver' => 'sqlite', 'database' => $copy, 'prefix' => '']]);
    expect(proposedIn('copied'))->toBe(proposedIn('posted'))->not->toBe([]);
    foreach (['posted', 'copied'] as $connection) {
        DB::purge($connection);
    }
    array_map(unlink(...), [...glob("{$file}*") ?: [], ...glob("{$copy}*") ?: []]);
})->skip(fn () => Schema::getConnection()->getDriverName() !== 'sqlite', 'over a file of its own');
