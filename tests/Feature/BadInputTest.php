<?php

declare(strict_types=1);

use App\Models\MasterItem;
use App\Planning\BundleFolder;
use Illuminate\Support\Facades\Artisan;
use Tests\Support;

beforeEach(function () {
    $this->case = dirname(__DIR__).'/cases/worked';
    $this->folder = sys_get_temp_dir().'/yposta-'.bin2hex(random_bytes(6));
    mkdir($this->folder);
});

afterEach(function () {
    array_map(unlink(...), glob("{$this->folder}/*") ?: []);
    rmdir($this->folder);
});

/** Status and output of a headless run of the worked case with other files. */
function headless(string $folder, string $case, array $files): array
{
    foreach ([...Support::folder($case), ...$files] as $name => $text) {
        file_put_contents("{$folder}/{$name}", $text);
    }
    $status = Artisan::call('yposta:plan', ['bundle' => $folder, '--out' => "{$folder}/never"]);

    return [$status, Artisan::output()];
}

it('shows the first two hundred of ten thousand errors and counts them all', function () {
    $rows = implode('', array_map(fn (int $n) => "S{$n},1,GHOST,MAIN,1,2026-03-16\n", range(1, 10_000)));
    [$status, $output] = headless($this->folder, $this->case, ['sales.csv' => "order,line,item,site,qty,due\n{$rows}"]);

    expect($status)->toBe(2)->and(substr_count($output, 'there is no item'))->toBe(200)->and($output)
        ->toContain('sales.csv line 201, item')->not->toContain('line 202,')
        ->toContain('and 9,800 more')->and(is_dir("{$this->folder}/never"))->toBeFalse();
});

it('refuses with a row and a remedy', function (array $files, string $complaint) {
    [$status, $output] = headless($this->folder, $this->case, $files);

    expect($status)->toBe(2)->and($output)->toContain($complaint);
})->with([
    'a horizon before the plan date' => [
        ['plan.csv' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-03-01\n"],
        'plan.csv, horizon_end: the horizon ends on Sun 1 Mar 2026, before the plan date Mon 2 Mar 2026; choose another horizon',
    ],
    'a horizon of more than ten years' => [
        ['plan.csv' => "key,value\nplan_date,2026-03-02\nhorizon_end,2036-03-12\n"],
        'more than ten years after the plan date',
    ],
    'an option given twice' => [['plan.csv' => "key,value\nplan_date,2026-03-02\nconsume,on\nconsume,off\n"], 'plan.csv line 4'],
    'an option nobody can follow' => [
        ['plan.csv' => "key,value\nplan_date,2026-03-02\npeg_rule,luck\n"],
        "plan.csv line 3, value: 'luck' is not known; one of date, priority",
    ],
    'a forecast that is not there' => [['plan.csv' => "key,value\nplan_date,2026-03-02\nforecasts,GHOST\n"], 'GHOST'],
    'a point that transfers from itself' => [
        ['planning.csv' => "item,site,supply,from_site\nROD,MAIN,transfer,MAIN\n"],
        'planning.csv line 2, from_site',
    ],
    'stock held that is nowhere' => [
        ['allocations.csv' => "demand,supply,qty\nsales:S1/1,stock:HEAD@GHOST,1\n"],
        "allocations.csv line 2, supply: there is no 'stock:HEAD@GHOST' in the bundle",
    ],
    'an order held that is not there' => [
        ['allocations.csv' => "demand,supply,qty\nsales:S1/1,order:GHOST,1\n"],
        "allocations.csv line 2, supply: there is no 'order:GHOST' in the bundle",
    ],
    'something held for a line that is not there' => [
        ['allocations.csv' => "demand,supply,qty\nsales:S1/2,stock:HEAD@MAIN,1\n"],
        "allocations.csv line 2, demand: there is no 'sales:S1/2' in the bundle",
    ],
    'something held for a proposal' => [
        ['allocations.csv' => "demand,supply,qty\npart:proposal:1/10,stock:HEAD@MAIN,1\n"],
        'is no demand that can be held for',
    ],
    'a proposal held' => [['allocations.csv' => "demand,supply,qty\nsales:S1/1,proposal:1,1\n"], 'is neither stock nor an order'],
]);

it('plans ten years by days', function () {
    [$status] = headless(
        $this->folder,
        $this->case,
        ['plan.csv' => "key,value\nplan_date,2026-03-02\nhorizon_end,2036-02-28\nbucket,day\n"],
    );
    $days = count(file("{$this->folder}/never/buckets.csv") ?: []) - 1;
    array_map(unlink(...), glob("{$this->folder}/never/*") ?: []);
    rmdir("{$this->folder}/never");

    expect($status)->toBe(0)->and($days)->toBe(3 * 3651);
});

it('stops unpacking a zip that would become huge, and writes nothing outside of it', function () {
    $path = "{$this->folder}/bundle.zip";
    $zip = new ZipArchive;
    $zip->open($path, ZipArchive::CREATE);
    $zip->addFromString('../../../escaped.csv', 'item');
    $zip->addFromString('items.csv', str_repeat(str_repeat('0', 1 << 16), 128));
    $zip->close();

    expect(filesize($path))->toBeLessThan(1 << 17)
        ->and(fn () => BundleFolder::open($path, 4 << 20))->toThrow(RuntimeException::class, 'the zip unpacks to more than 4 MiB')
        ->and(array_keys(BundleFolder::open($path)))->toBe(['items.csv'])
        ->and(is_file(dirname($this->folder, 2).'/escaped.csv'))->toBeFalse()->and(MasterItem::query()->count())->toBe(0);
});

it('leaves the last plan whole when a run is killed, and does it again', function (string $stage) {
    $database = "{$this->folder}/company.sqlite";
    touch($database);
    $environment = [
        ...getenv(), 'APP_ENV' => 'testing', 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $database,
        'QUEUE_CONNECTION' => 'sync',
    ];
    $php = function (string ...$arguments) use ($environment): int {
        $process = proc_open(
            [PHP_BINARY, ...$arguments], [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes, dirname(__DIR__, 2), $environment,
        );

        return $process === false ? -1 : proc_close($process);
    };
    $ask = fn (string $sql) => (new PDO("sqlite:{$database}"))->query($sql)->fetchAll(PDO::FETCH_COLUMN);
    foreach ([
        ['artisan', 'migrate', '--force'],
        ['artisan', 'yposta:import', $this->case, '--pin'],
        ['artisan', 'yposta:run'],
    ] as $command) {
        expect($php(...$command))->toBe(0);
    }
    $rows = fn () => $ask('select count(*) from plan_supplies where run_id = (select id from runs where current = 1)');
    $before = $rows();

    expect($php('tests/killed-run.php', $stage))->not->toBe(0)
        ->and($ask('select status from runs order by id'))->toBe(['done', 'running'])->and($ask('select id from runs where current = 1'))->toEqual([1])
        ->and($rows())->toEqual($before)
        ->and($php('artisan', 'yposta:run'))->toBe(0)
        ->and($ask('select status from runs order by id'))->toBe(['done', 'done', 'done'])
        ->and($ask('select attempts from runs order by id'))->toEqual([1, 2, 1])->and($rows())->toEqual($before)
        ->and($ask('select distinct run_id from plan_supplies'))->toEqual([1, 2, 3])->and($ask('select id from runs where current = 1'))->toEqual([3]);
})->with(['reading', 'structure', 'demand', 'netting', 'projection', 'storing']);
