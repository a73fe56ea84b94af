<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\Serving\Watched;
use Illuminate\Console\Command;
use React\EventLoop\Loop;

/** All processes of an installation on one machine: each is begun again when it ends, all end with this one. */
final class ServeCommand extends Command
{
    /** Compiles what runs often: planning takes half the time, as measured in benchmarks/README.md. Without the extension it is ignored. */
    public const COMPILED = [
        '-d', 'opcache.enable=1', '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit_buffer_size=64M', '-d', 'opcache.jit=tracing',
    ];

    /** Seconds that they are given to end. */
    private const PATIENCE = 5;

    protected $signature = 'yposta:serve {--port=8700} {--workers=4 : processes that answer pages} {--socket= : of the process that keeps the plan}';

    protected $description = 'Serve the application with its worker and the process that keeps the plan, and begin again what ends';

    public function handle(): int
    {
        $port = (int) $this->option('port');
        $socket = (string) ($this->option('socket') ?: storage_path("framework/plan-{$port}.sock"));
        $environment = [...getenv(), 'YPOSTA_PLAN_SOCKET' => $socket, 'PHP_CLI_SERVER_WORKERS' => (string) $this->option('workers')];
        $tell = function (string $what): void {
            logger()->warning($what);
            $this->output->writeln($what);
        };
        $artisan = fn (string $name, string ...$command) => new Watched(
            $name, [PHP_BINARY, ...self::COMPILED, 'artisan', ...array_values($command)], base_path(), $environment, $tell,
        );
        $watched = [
            $artisan('the worker', 'queue:work', '--quiet', '--sleep=0.2', '--tries=1', '--timeout=1800', '--memory=4096'),
            $artisan('the process that keeps the plan', 'yposta:keep-plan', '--quiet'),
            $artisan('the clock', 'schedule:work', '--quiet'),
            new Watched('the server', [
                PHP_BINARY, ...self::COMPILED, '-d', 'memory_limit=1G', '-d', 'upload_max_filesize=24M', '-d', 'post_max_size=26M',
                '-S', "127.0.0.1:{$port}", '-t', public_path(), base_path('server.php'),
            ], public_path(), $environment, $tell, 1 + (int) $this->option('workers')),
        ];
        foreach ($watched as $one) {
            $one->begin();
        }
        Loop::addPeriodicTimer(1, fn () => array_map(fn (Watched $one) => $one->check(), $watched));
        $end = function () use ($watched): void {
            array_map(fn (Watched $one) => $one->end(), $watched);
            Loop::addPeriodicTimer(0.1, fn () => array_filter($watched, fn (Watched $one) => $one->isRunning()) === [] && Loop::stop());
            Loop::addTimer(self::PATIENCE, function () use ($watched): void {
                array_map(fn (Watched $one) => $one->signal(SIGKILL), $watched);
                Loop::stop();
            });
        };
        foreach ([SIGTERM, SIGINT, SIGHUP] as $signal) {
            Loop::addSignal($signal, $end);
        }
        Loop::run();

        return 0;
    }
}
