<?php

declare(strict_types=1);

use App\Models\OrderLine;
use App\Models\User;
use App\Support\Journal;
use App\Support\Refused;
use App\Trials\PlanClient;
use App\Trials\PlanQueries;
use App\Trials\PlanQuestion;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

/** A company in a file, and a process that keeps its plan ready on a socket. */
beforeEach(function () {
    $this->folder = sys_get_temp_dir().'/yposta-plan-'.bin2hex(random_bytes(4));
    mkdir($this->folder);
    $this->database = "{$this->folder}/company.sqlite";
    touch($this->database);
    $this->begins = function (array $command, array $more = []) {
        $environment = [
            ...getenv(), 'APP_ENV' => 'testing', 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $this->database,
            'QUEUE_CONNECTION' => 'sync', ...$more,
        ];
        $nowhere = [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']];

        return proc_open([PHP_BINARY, 'artisan', ...$command], $nowhere, $pipes, dirname(__DIR__, 2), $environment);
    };
    foreach ([
        ['migrate', '--force'], ['db:seed', '--class=DemoSeeder', '--force'],
        ['yposta:import', dirname(__DIR__, 2).'/database/demo', '--pin'], ['yposta:run'],
    ] as $command) {
        $process = ($this->begins)($command);
        expect($process !== false && proc_close($process) === 0)->toBeTrue();
    }
    $this->socket = "{$this->folder}/plan.sock";
    $this->keeps = function (array $limits = []): int {
        $this->process = ($this->begins)(['yposta:keep-plan', "--socket={$this->socket}"], $limits);
        for ($wait = 0; $wait < 200 && ! file_exists($this->socket); $wait++) {
            usleep(50_000);
        }

        return proc_get_status($this->process)['pid'];
    };
    config(['database.connections.company' => [
        ...config('database.connections.sqlite'), 'database' => $this->database,
    ]]);
    $this->usual = DB::getDefaultConnection();
    DB::setDefaultConnection('company');
    $this->there = new PlanClient(app(PlanQueries::class), $this->socket);
    $this->here = new PlanClient(app(PlanQueries::class), null);
    $this->later = [['changes' => [['change' => 'move_order', 'order' => 'P-3340', 'due' => '2026-03-11']]]];
    $this->shortages = ['lines' => [], 'filter' => ['days' => 14]];
});

afterEach(function () {
    DB::setDefaultConnection($this->usual);
    DB::purge('company');
    isset($this->process) && proc_terminate($this->process);
    isset($this->process) && proc_close($this->process);
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
    ($this->keeps)();
    [$there, $here] = [$this->there, $this->here];
    $lines = $this->later;
    $plain = fn (mixed $value) => json_decode((string) json_encode($value), true);
    $asked = ['lines' => $lines, 'filter' => ['days' => 14]];
    expect($there->ask(PlanQuestion::Shortages, ...$asked))->toBe($plain($here->ask(PlanQuestion::Shortages, ...$asked)));
    $told = [];
    $answer = $there->askTelling(PlanQuestion::Remedies, function (array $found) use (&$told): void {
        $told[] = $found['row']['kind'];
    }, lines: $lines, identity: 'part:M-1061/10', item: 'REF-3');
    expect($answer)->toBe(['found' => count($told)])->and($told)->toContain('take_from')
        ->and(refusedWith(fn () => $there->ask(
            PlanQuestion::Fit,
            lines: [],
            changes: [['change' => 'cancel_order', 'order' => 'GHOST']],
        )))->toBe('There is no open order GHOST. The draft is as it was.');
    OrderLine::query()->where('code', 'P-3340')->update(['due' => '2026-03-20']);
    Journal::write('order changed', 'P-3340 comes later', User::query()->firstOrFail());
    $late = array_column($there->ask(PlanQuestion::Shortages, ...[...$asked, 'lines' => []])['rows'], 'lateDays', 'identity');

    expect($late['part:M-1061/10'])->toBe(11);
});

/** All needs of the demo company, several times over: something that takes long. */
function muchAsked(PlanClient $plans, array $shortages): array
{
    $rows = $plans->ask(PlanQuestion::Shortages, ...[...$shortages, 'filter' => ['days' => 60]])['rows'];
    $needs = array_map(fn ($row) => ['identity' => $row->identity, 'item' => $row->item], $rows);

    return ['lines' => [], 'needs' => array_merge(...array_fill(0, 200, $needs))];
}

/** What a socket says to a line before it says no more. */
function saidOn(string $socket, string $line): array
{
    $connection = stream_socket_client("unix://{$socket}");
    stream_set_timeout($connection, 20);
    fwrite($connection, $line);
    $said = (array) json_decode((string) fgets($connection), true);
    expect(fgets($connection))->toBeFalse();

    return $said;
}

/** The processes that a process has forked off and that are still there. */
function childrenOf(int $process): array
{
    return array_values(array_filter(explode(' ', (string) @file_get_contents("/proc/{$process}/task/{$process}/children"))));
}

function eventually(callable $holds): bool
{
    for ($wait = 0; $wait < 100 && ! $holds(); $wait++) {
        usleep(50_000);
    }

    return $holds();
}

it('answers nothing but what may be asked, and goes on after nonsense', function () {
    ($this->keeps)();
    foreach (['["ready",[]]', '["__construct",[]]', '["nonsense",[]]', '{}', 'nonsense', '["tray",7]', '[["tray"],[]]'] as $line) {
        expect(saidOn($this->socket, "{$line}\n")['reason'] ?? 'closed')->toBeIn(['error', 'closed']);
    }
    expect(saidOn($this->socket, '["tray",{"nobody":1}]'."\n")['reason'])->toBe('error')
        ->and($this->there->ask(PlanQuestion::Shortages, ...$this->shortages)['rows'])->not->toBe([]);
});

it('ends a question that takes too long or too much, says so, and leaves nothing behind', function () {
    $much = muchAsked($this->here, $this->shortages);
    $process = ($this->keeps)(['YPOSTA_QUESTION_SECONDS' => '1']);
    expect(refusedWith(fn () => $this->there->ask(PlanQuestion::Resolve, ...$much)))->toContain('takes longer than one question may')
        ->and($this->there->ask(PlanQuestion::Shortages, ...$this->shortages)['rows'])->not->toBe([])
        ->and(eventually(fn () => childrenOf($process) === []))->toBeTrue();
    proc_terminate($this->process);
    proc_close($this->process);
    ($this->keeps)(['YPOSTA_QUESTION_MEGABYTES' => '0']);
    $all = [...$this->shortages, 'filter' => ['days' => 365, 'by' => 'customer', 'q' => 'e']];
    expect(refusedWith(fn () => $this->there->ask(PlanQuestion::Shortages, ...$all)))->toContain('takes more memory');
});

it('answers one while another is still asked, and ends what nobody waits for', function () {
    $much = muchAsked($this->here, $this->shortages);
    $process = ($this->keeps)();
    $slow = stream_socket_client("unix://{$this->socket}");
    fwrite($slow, json_encode(['resolve', $much])."\n");
    expect(eventually(fn () => count(childrenOf($process)) === 1))->toBeTrue()
        ->and($this->there->ask(PlanQuestion::Shortages, ...$this->shortages)['rows'])->not->toBe([])
        ->and(eventually(fn () => count(childrenOf($process)) === 1))->toBeTrue(); // the quick one has gone, the slow one has not
    fclose($slow);
    expect(eventually(fn () => childrenOf($process) === []))->toBeTrue();
});

it('answers without the process when it goes in the middle', function () {
    $process = ($this->keeps)();
    $told = [];
    $answer = $this->there->askTelling(PlanQuestion::Remedies, function (array $found) use (&$told, $process): void {
        $told === [] && array_map(fn ($child) => posix_kill((int) $child, SIGKILL), [...childrenOf($process), $process]);
        $told[] = json_decode((string) json_encode($found), true)['row']['kind'];
    }, lines: $this->later, identity: 'part:M-1061/10', item: 'REF-3');
    expect($answer)->toBe(['found' => count($told)])->and(count($told))->toBeGreaterThan(1)
        ->and($this->there->ask(PlanQuestion::Shortages, ...$this->shortages)['rows'])->not->toBe([]);
});

it('lets a draft mend what cannot be planned', function () {
    $planner = Demo::user('planner');
    $this->actingAs($planner);
    ($this->keeps)();
    config(['yposta.plan_socket' => $this->socket]);
    DB::table('sales_lines')->where('order_code', 'SO-7719')->where('line', '1')->update(['qty' => 9_000_000_000_000 * 1_000_000]);
    Journal::write('sales', 'far too much', $planner);
    expect(refusedWith(fn () => $this->there->ask(PlanQuestion::Shortages, ...$this->shortages)))->toContain('goes beyond');
    $change = fn (array $fields) => $this->postJson('/draft/lines', ['changes' => [$fields], 'sure' => true])->assertOk()->json('state');
    expect($change(['change' => 'move_order', 'order' => 'P-3308', 'due' => '2026-03-06'])['broken'])->toContain('With this draft too');
    $mended = $change(['change' => 'change_sales_line', 'order' => 'SO-7719', 'line' => '1', 'qty' => '5']);
    expect($mended['broken'])->toContain('With this draft it can be planned again')->and($mended['troubles'])->toBe(0)
        ->and($this->getJson('/shortages/rows?days=14')->assertOk()->json('rows'))->not->toBe([]);
    $this->postJson('/draft/commit', ['version' => $mended['version'], 'key' => 'mending-what-is-broken'])->assertOk();
    expect($this->there->ask(PlanQuestion::Shortages, ...$this->shortages)['rows'])->not->toBe([]);
});
