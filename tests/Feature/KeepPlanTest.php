<?php

declare(strict_types=1);

use App\Models\OrderLine;
use App\Models\User;
use App\Support\Journal;
use App\Support\Refused;
use App\Trials\PlanClient;
use App\Trials\PlanQueries;
use Illuminate\Support\Facades\DB;

/** A company in a file, and a process that keeps its plan ready on a socket. */
beforeEach(function () {
    $this->folder = sys_get_temp_dir().'/yposta-plan-'.bin2hex(random_bytes(4));
    mkdir($this->folder);
    $database = "{$this->folder}/company.sqlite";
    touch($database);
    $environment = [
        ...getenv(), 'APP_ENV' => 'testing', 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $database,
        'QUEUE_CONNECTION' => 'sync',
    ];
    $root = dirname(__DIR__, 2);
    foreach ([
        ['migrate', '--force'], ['db:seed', '--class=DemoSeeder', '--force'], ['yposta:import', "{$root}/database/demo", '--pin'],
        ['yposta:run'],
    ] as $command) {
        $process = proc_open(
            [PHP_BINARY, 'artisan', ...$command],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']], $pipes, $root, $environment,
        );
        expect($process !== false && proc_close($process) === 0)->toBeTrue();
    }
    $this->socket = "{$this->folder}/plan.sock";
    $this->process = proc_open(
        [PHP_BINARY, 'artisan', 'yposta:keep-plan', "--socket={$this->socket}"],
        [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']], $pipes, $root, $environment,
    );
    for ($wait = 0; $wait < 200 && ! file_exists($this->socket); $wait++) {
        usleep(50_000);
    }
    config(['database.connections.company' => [...config('database.connections.sqlite'), 'database' => $database]]);
    DB::setDefaultConnection('company');
});

afterEach(function () {
    DB::setDefaultConnection('sqlite');
    DB::purge('company');
    proc_terminate($this->process);
    proc_close($this->process);
    array_map(unlink(...), glob("{$this->folder}/*") ?: []);
    rmdir($this->folder);
});

function refusedWith(callable $do): string
{
    try {
        $do();
    } catch (Refused $refused) {
        return $refused->sentence();
    }

    return '';
}

it('answers over the socket as in the process, tells what it finds on the way, and follows the data', function () {
    $there = new PlanClient(app(PlanQueries::class), $this->socket);
    $here = new PlanClient(app(PlanQueries::class), null);
    $lines = [['changes' => [['change' => 'move_order', 'order' => 'P-3340', 'due' => '2026-03-11']]]];
    $plain = fn (mixed $value) => json_decode((string) json_encode($value), true);
    $asked = ['lines' => $lines, 'days' => 14, 'countUnsent' => true, 'site' => '', 'covered' => false];
    expect($there->ask('shortages', ...$asked))->toBe($plain($here->ask('shortages', ...$asked)));
    $told = [];
    $answer = $there->askTelling('remedies', function (array $found) use (&$told): void {
        $told[] = $found['row']['kind'];
    }, lines: $lines, identity: 'part:M-1061/10', item: 'REF-3');
    expect($answer)->toBe(['found' => count($told)])->and($told)->toContain('take_from')
        ->and(refusedWith(fn () => $there->ask(
            'fit',
            lines: [],
            changes: [['change' => 'cancel_order', 'order' => 'GHOST']],
        )))->toBe('There is no open order GHOST. The draft is as it was.')
        ->and(fn () => $there->ask('nonsense'))->toThrow(RuntimeException::class);
    OrderLine::query()->where('code', 'P-3340')->update(['due' => '2026-03-20']);
    Journal::write('order changed', 'P-3340 comes later', User::query()->firstOrFail());
    $late = array_column($there->ask('shortages', ...[...$asked, 'lines' => []])['rows'], 'lateDays', 'identity');

    expect($late['part:M-1061/10'])->toBe(11);
});
