<?php

declare(strict_types=1);

/*
 * Kills processes of a served installation at random, half of them inside a run, while a planner works:
 * php benchmarks/kills.php [KILLS] [SEED].
 *
 * Afterwards nothing may be lost or doubled: each order that was answered is there once, what was sent again under the same key was written
 * once, every run has ended, and the application was usable again within ten seconds without a hand.
 */

use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use GuzzleHttp\Exception\GuzzleException;
use Random\Engine\Mt19937;
use Random\Randomizer;

require __DIR__.'/../vendor/autoload.php';

const PATIENCE = 10.0;

$kills = (int) ($argv[1] ?? 200);
$random = new Randomizer(new Mt19937((int) ($argv[2] ?? 7)));
$root = dirname(__DIR__);
$folder = sys_get_temp_dir().'/yposta-kills-'.bin2hex(random_bytes(4));
mkdir($folder, 0700);
$socket = stream_socket_server('tcp://127.0.0.1:0');
$port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
fclose($socket);
$database = "{$folder}/company.sqlite";
touch($database);
$environment = [
    ...getenv(), 'APP_ENV' => 'production', 'APP_KEY' => 'base64:'.base64_encode(random_bytes(32)), 'DB_CONNECTION' => 'sqlite',
    'DB_DATABASE' => $database, 'QUEUE_CONNECTION' => 'database', 'CACHE_STORE' => 'database', 'SESSION_DRIVER' => 'database',
    'APP_URL' => "http://127.0.0.1:{$port}",
];
$nowhere = [['file', '/dev/null', 'r'], ['file', "{$folder}/said", 'a'], ['redirect', 1]];
$begin = fn (string ...$command) => proc_open([PHP_BINARY, 'artisan', ...$command], $nowhere, $pipes, $root, $environment);
foreach ([['migrate', '--force'], ['db:seed', '--class=DemoSeeder', '--force'], ['yposta:import', 'database/demo', '--pin'], ['yposta:run']] as $command) {
    proc_close($begin(...$command)) === 0 || exit("could not be made ready\n");
}
$served = $begin('yposta:serve', "--port={$port}", '--workers=3', "--socket={$folder}/plan.sock");
register_shutdown_function(function () use ($served, $folder): void {
    proc_terminate($served);
    proc_close($served);
    array_map(unlink(...), glob("{$folder}/*") ?: []);
    rmdir($folder);
});

$jar = new CookieJar;
$http = new Client(['base_uri' => "http://127.0.0.1:{$port}", 'cookies' => $jar, 'timeout' => 30, 'http_errors' => false, 'allow_redirects' => true]);
$token = function () use ($jar): string {
    return rawurldecode((string) $jar->getCookieByName('XSRF-TOKEN')?->getValue());
};
/** @return array{int, array<mixed>} status and answer; 0 where there was none */
$send = function (string $method, string $path, ?array $body = null) use ($http, $token): array {
    try {
        $answer = $http->request($method, $path, [
            'headers' => ['Accept' => 'application/json', 'X-XSRF-TOKEN' => $token()], ...($body === null ? [] : ['json' => $body]),
        ]);

        return [$answer->getStatusCode(), (array) json_decode((string) $answer->getBody(), true)];
    } catch (GuzzleException) {
        return [0, []];
    }
};
/** Sends until there is an answer of the application. */
$surely = function (string $method, string $path, ?array $body = null) use ($send): array {
    for ($until = microtime(true) + PATIENCE; microtime(true) < $until; usleep(50_000)) {
        [$status, $answer] = $send($method, $path, $body);
        if ($status !== 0 && $status < 500) {
            return [$status, $answer];
        }
    }
    throw new RuntimeException("{$method} {$path} was not answered within ".PATIENCE.' seconds');
};
$whole = function () use ($send): float {
    $began = microtime(true);
    do {
        [$status, $answer] = $send('GET', '/up');
        if ($status === 200 && $answer['missing'] === []) {
            return microtime(true) - $began;
        }
        usleep(50_000);
    } while (microtime(true) - $began < 3 * PATIENCE);
    throw new RuntimeException('not usable again');
};
$processes = function (string $words) use ($folder): array {
    $found = [];
    foreach (array_filter(explode("\n", (string) shell_exec('pgrep -f '.escapeshellarg($words)))) as $process) {
        str_contains((string) @file_get_contents("/proc/{$process}/environ"), "DB_DATABASE={$folder}/")
            && ! str_contains((string) @file_get_contents("/proc/{$process}/cmdline"), 'yposta:serve') && $found[] = (int) $process;
    }

    return $found;
};
$ask = fn (string $sql): array => (new PDO("sqlite:{$database}"))->query($sql)->fetchAll(PDO::FETCH_NUM);

$whole();
$http->get('/sign-in');
$surely('POST', '/sign-in', ['email' => 'ivo@marrowby.example', 'password' => 'river-and-wind']);
[$status] = $surely('GET', '/draft');
$status === 200 || exit("not signed in ({$status})\n");

$worst = 0.0;
$made = $keys = $inside = [];
for ($kill = 1; $kill <= $kills; $kill++) {
    $target = ['queue:work', 'keep-plan', 'server.php', 'server.php'][$random->getInt(0, 3)];
    if ($kill % 2 === 0) {
        [$status, $run] = $surely('POST', '/runs', ['agreed' => true]);
        $target = $random->getInt(0, 2) === 0 ? $target : 'queue:work';
        $stage = ['reading', 'netting', 'projection', 'storing', 'storing'][$random->getInt(0, 4)];
        for ($until = microtime(true) + 3; microtime(true) < $until && ! in_array($ask('select stage from runs order by id desc limit 1')[0][0], [$stage, null], true);) {
            usleep(500);
        }
        usleep($random->getInt(0, 40_000));
        $inside[$stage] = ($inside[$stage] ?? 0) + 1;
    }
    // an order is asked for while something is killed, and asked for again under the same key until there is an answer
    $number = $ask("select s.name, s.run_id from plan_supplies s join runs r on r.id = s.run_id and r.current = 1
        left join conversions c on c.run_id = s.run_id and c.proposal = cast(s.name as integer)
        where s.kind = 'proposal' and s.type <> 'buy' and c.id is null order by s.start desc limit 1")[0] ?? null;
    $victims = $processes($target);
    $pid = $victims === [] ? null : $victims[$random->getInt(0, count($victims) - 1)];
    $key = sprintf('kill-%04d-%s', $kill, bin2hex(random_bytes(8)));
    $body = $number === null ? null : ['run' => (int) $number[1], 'agreed' => true, 'sure' => true, 'key' => $key, 'lines' => [['number' => (int) $number[0]]]];
    $child = pcntl_fork();
    if ($child === 0) {
        usleep($random->getInt(0, 60_000));
        $pid === null || posix_kill($pid, SIGKILL);
        posix_kill(posix_getpid(), SIGKILL);
    }
    if ($body !== null) {
        [$status, $answer] = $surely('POST', '/proposals/convert', $body);
        if ($status === 200) {
            $made[$key] = $answer['orders'][0]['code'];
            [, $again] = $surely('POST', '/proposals/convert', $body);
            $again == $answer || exit("key {$key} was answered twice, and not the same\n");
        }
    }
    pcntl_waitpid($child, $status);
    $worst = max($worst, $whole());
    $kill % 20 === 0 && printf("%d killed, %d orders made, at worst %.1f s until whole\n", $kill, count($made), $worst);
}
for ($until = microtime(true) + 60; $ask("select count(*) from runs where status in ('queued', 'running')")[0][0] > 0 && microtime(true) < $until;) {
    $send('GET', '/draft');
    usleep(200_000);
}
$codes = array_column($ask('select code from orders where code in (\''.implode("','", $made).'\')'), 0);
$doubled = $ask('select run_id, proposal from conversions group by run_id, proposal having count(*) > 1');
$conversions = (int) $ask('select count(*) from conversions')[0][0];
$open = $ask("select id, status from runs where status in ('queued', 'running')");
$current = $ask('select count(*) from runs where current = 1')[0][0];
$rows = $ask('select count(distinct run_id) from plan_supplies where run_id not in (select id from runs where stored = 1)')[0][0];
$sound = $ask('pragma integrity_check')[0][0];
printf(
    "%d kills (%s inside a run), %d orders answered, %d of them there, %d conversions, %d doubled, %d runs open, %d live, %d left over, %s; whole again after %.1f s at worst\n",
    $kills, array_sum($inside), count($made), count($codes), $conversions, count($doubled), count($open), $current, $rows, $sound, $worst,
);
exit(count($codes) === count($made) && $doubled === [] && $open === [] && (int) $current === 1 && $sound === 'ok' && $worst < PATIENCE
    && $conversions >= count($made) ? 0 : 1);
