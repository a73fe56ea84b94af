<?php

declare(strict_types=1);

/** An installation with the demo company, as it is served. */
beforeEach(function () {
    $this->folder = sys_get_temp_dir().'/yposta-served-'.bin2hex(random_bytes(4));
    mkdir($this->folder);
    $database = "{$this->folder}/company.sqlite";
    touch($database);
    $socket = stream_socket_server('tcp://127.0.0.1:0');
    $this->port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
    fclose($socket);
    $this->root = dirname(__DIR__, 2);
    $this->environment = [
        ...getenv(), 'APP_ENV' => 'production', 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $database, 'QUEUE_CONNECTION' => 'database',
        'CACHE_STORE' => 'database', 'APP_URL' => "http://127.0.0.1:{$this->port}",
    ];
    $this->begins = fn (string ...$command) => proc_open(
        [PHP_BINARY, 'artisan', ...$command],
        [['file', '/dev/null', 'r'], ['file', "{$this->folder}/said", 'a'], ['redirect', 1]], $pipes, $this->root, $this->environment,
    );
    foreach ([['migrate', '--force'], ['yposta:import', "{$this->root}/tests/cases/worked", '--pin']] as $command) {
        expect(proc_close(($this->begins)(...$command)))->toBe(0);
    }
    $this->served = ($this->begins)('yposta:serve', "--port={$this->port}", '--workers=2', "--socket={$this->folder}/plan.sock");
    $this->up = function (string $path = '/up', array $headers = []): array {
        $context = stream_context_create(['http' => ['timeout' => 5, 'ignore_errors' => true, 'header' => $headers]]);
        $body = @file_get_contents("http://127.0.0.1:{$this->port}{$path}", false, $context);

        return [$body, $http_response_header ?? []];
    };
    $this->isWhole = function (): bool {
        for ($wait = 0; $wait < 100; $wait++) {
            if (($this->up)()[0] === '{"missing":[]}') {
                return true;
            }
            usleep(100_000);
        }

        return false;
    };
    expect(($this->isWhole)())->toBeTrue((string) file_get_contents("{$this->folder}/said"));
    $this->find = fn (string $words) => array_values(array_map(intval(...), array_filter(
        explode("\n", (string) shell_exec('pgrep -f '.escapeshellarg($words))),
        fn (string $process) => $process !== ''
            && str_contains((string) @file_get_contents("/proc/{$process}/environ"), "DB_DATABASE={$this->folder}/"),
    )));
});

afterEach(function () {
    proc_terminate($this->served);
    proc_close($this->served);
    array_map(unlink(...), glob("{$this->folder}/*") ?: []);
    rmdir($this->folder);
});

it('begins again what is killed, says meanwhile what is missing, and ends as a whole', function () {
    foreach (['queue:work', 'keep-plan', 'server.php'] as $words) {
        $before = ($this->find)($words);
        expect($before)->not->toBe([], $words);
        posix_kill(max($before), SIGKILL); // of the server one of those that it has forked
        usleep(200_000);
        $words === 'keep-plan' && expect(($this->up)()[0])->toBe('{"missing":["plan"]}');
        for ($wait = 0; $wait < 80 && array_diff(($this->find)($words), $before) === []; $wait++) {
            usleep(100_000); // children of the server are looked after once it has run for some seconds
        }
        expect(array_diff(($this->find)($words), $before))->not->toBe([], "{$words} is another")
            ->and(($this->isWhole)())->toBeTrue("{$words} is begun again");
    }
    posix_kill(min(($this->find)('server.php')), SIGKILL);
    usleep(500_000);
    expect(($this->isWhole)())->toBeTrue();
    proc_terminate($this->served);
    for ($wait = 0; $wait < 100 && proc_get_status($this->served)['running']; $wait++) {
        usleep(50_000);
    }
    foreach (['queue:work', 'keep-plan', 'server.php'] as $words) {
        expect(($this->find)($words))->toBe([], "{$words} has ended");
    }
});

it('leaves nothing behind when it is killed itself', function () {
    posix_kill(proc_get_status($this->served)['pid'], SIGKILL);
    for ($wait = 0; $wait < 50 && ($this->find)('artisan') + ($this->find)('server.php') !== []; $wait++) {
        usleep(100_000);
    }
    expect([...($this->find)('artisan'), ...($this->find)('server.php')])->toBe([]);
});

it('gives every answer the same headers, files too, and answers only to its own names', function () {
    $file = basename((string) (glob(public_path('*.{svg,ico,txt,png}'), GLOB_BRACE) ?: [''])[0]);
    $names = array_map(strtolower(...), array_keys(config('headers')));
    foreach (['/sign-in', '/up', '/nowhere', "/{$file}", '/'] as $path) {
        $said = array_map(fn (string $line) => strtolower((string) strstr($line, ':', true)), ($this->up)($path)[1]);
        expect(array_values(array_diff($names, $said)))->toBe([], $path)->and($said)->not->toContain('x-powered-by');
    }
    expect(($this->up)('/sign-in', ['Host: elsewhere.example'])[1][0])->toContain('400')
        ->and(($this->up)('/../.env')[1][0])->toContain('404')->and(($this->up)('/%2e%2e/composer.json')[1][0])->toContain('404');
});
