<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverDimension;
use RuntimeException;
use SQLite3;

/**
 * The whole application as a person meets it: its server and its worker over a database of the demo company, and a browser.
 *
 * Everything listens on 127.0.0.1 and ends with the tests.
 */
final class Application
{
    private const PATIENCE = 20.0;

    /** Microseconds in which what was asked last is answered. */
    private const LAST_ANSWERS = 300_000;

    private static ?self $running = null;

    /** @var list<resource> */
    private array $processes = [];

    private ?RemoteWebDriver $driver = null;

    private ?RemoteWebDriver $second = null;

    private int $driverPort = 0;

    private readonly string $database;

    private int $restored = 0;

    private readonly string $profile;

    private readonly int $port;

    private function __construct()
    {
        $this->database = sys_get_temp_dir().'/yposta-browser-'.getmypid().'.sqlite';
        $this->profile = sys_get_temp_dir().'/yposta-profile-'.getmypid();
        $this->port = self::freePort();
    }

    /** Starts with a fresh demo company the first time it is asked for. */
    public static function running(): self
    {
        if (self::$running === null) {
            self::$running = new self;
            register_shutdown_function(fn () => self::$running?->stop());
            self::$running->start();
        }

        return self::$running;
    }

    /** The demo company as it was at the start, under the processes that run, so that no test finds what another has left. */
    public function restore(): void
    {
        // a page that still asks would find itself signed out while the sessions are away
        $this->driver?->get('about:blank');
        $this->second?->get('about:blank');
        usleep(self::LAST_ANSWERS);
        $live = new SQLite3($this->database);
        $live->busyTimeout(10_000);
        $start = new SQLite3("{$this->database}.start", SQLITE3_OPEN_READONLY);
        $sessions = $live->query('select * from sessions');
        $signedIn = []; // whoever has signed in stays so
        while ($sessions !== false && ($row = $sessions->fetchArray(SQLITE3_ASSOC)) !== false) {
            $signedIn[] = $row;
        }
        if (! $start->backup($live)) {
            throw new RuntimeException('the database could not be put back: '.$live->lastErrorMsg());
        }
        foreach ($signedIn as $row) {
            $insert = $live->prepare('insert into sessions values (:id, :user_id, :ip_address, :user_agent, :payload, :last_activity)');
            foreach ($row as $name => $value) {
                $insert->bindValue(":{$name}", $value);
            }
            $insert->execute();
        }
        // no number comes again that somebody may have kept
        $live->exec('update sqlite_sequence set seq = seq + '.(++$this->restored * 1000));
        $live->close();
        $start->close();
    }

    /** @return list<array<string, mixed>> what the database holds, for what no page shows in full */
    public function rows(string $query): array
    {
        $database = new SQLite3($this->database, SQLITE3_OPEN_READONLY);
        $database->busyTimeout(10_000);
        $found = $database->query($query);
        $rows = [];
        while ($found !== false && ($row = $found->fetchArray(SQLITE3_ASSOC)) !== false) {
            $rows[] = $row;
        }
        $database->close();

        return $rows;
    }

    public function address(string $path = '/'): string
    {
        return "http://127.0.0.1:{$this->port}{$path}";
    }

    public function browser(): RemoteWebDriver
    {
        return $this->driver ?? throw new RuntimeException('the browser has not been started');
    }

    /** Another browser beside the first, for a second person. */
    public function secondBrowser(): RemoteWebDriver
    {
        return $this->second ??= $this->openBrowser("{$this->profile}-second");
    }

    private function openBrowser(string $profile): RemoteWebDriver
    {
        $options = new ChromeOptions;
        $options->addArguments([
            '--headless=new', '--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-dev-shm-usage',
            '--no-first-run', '--force-device-scale-factor=1', "--user-data-dir={$profile}",
        ]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY_W3C, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);
        $driver = RemoteWebDriver::create("http://127.0.0.1:{$this->driverPort}", $capabilities, 60_000, 60_000);
        $driver->manage()->window()->setSize(new WebDriverDimension(1280, 940));

        return $driver;
    }

    private function start(): void
    {
        touch($this->database);
        foreach (['migrate --force', 'db:seed --class=DemoSeeder --force', 'yposta:import database/demo --pin', 'yposta:run'] as $command) {
            $this->finish(['php', 'artisan', ...explode(' ', $command)]);
        }
        $planned = new SQLite3($this->database);
        $planned->backup(new SQLite3("{$this->database}.start"));
        $planned->close();
        $root = dirname(__DIR__, 2);
        $this->begin(
            ['php', 'artisan', 'yposta:serve', "--port={$this->port}", '--workers=3', "--socket={$this->database}.plan"],
            $root,
        );
        $driverPort = $this->driverPort = self::freePort();
        $this->begin(['chromedriver', "--port={$driverPort}"], $root);
        self::await(
            fn () => self::listens($this->port) && self::listens($driverPort) && file_exists("{$this->database}.plan"),
            'the server and the driver of the browser',
        );
        $this->driver = $this->openBrowser($this->profile);
    }

    private function stop(): void
    {
        try {
            $this->second?->quit();
            $this->driver?->quit();
        } catch (\Throwable) {
            // the browser has gone already
        }
        foreach ($this->processes as $process) {
            $group = (int) proc_get_status($process)['pid'];
            posix_kill(-$group, SIGTERM) || proc_terminate($process);
            proc_close($process);
        }
        array_map(unlink(...), glob("{$this->database}*") ?: []);
        exec('rm -rf '.escapeshellarg($this->profile).' '.escapeshellarg("{$this->profile}-second"));
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return [
            ...getenv(), 'APP_ENV' => 'production', 'APP_KEY' => 'base64:'.base64_encode(str_repeat('k', 32)), 'YPOSTA_DEMO' => 'true',
            'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $this->database,
            'QUEUE_CONNECTION' => 'database', 'SESSION_DRIVER' => 'database', 'CACHE_STORE' => 'database', 'APP_URL' => $this->address(),
            'YPOSTA_PLAN_SOCKET' => "{$this->database}.plan",
        ];
    }

    /** @param  list<string>  $command */
    private function finish(array $command): void
    {
        $process = proc_open(
            $command, [['file', '/dev/null', 'r'], ['pipe', 'w'], ['redirect', 1]], $pipes, dirname(__DIR__, 2),
            $this->environment(),
        );
        $output = $process === false ? '' : stream_get_contents($pipes[1]);
        if ($process === false || proc_close($process) !== 0) {
            throw new RuntimeException(implode(' ', $command)." failed:\n{$output}");
        }
    }

    /**
     * Starts a process that leads a group of its own, so that its workers end with it.
     *
     * @param  list<string>  $command
     * @param  array<string, string>  $more  of the environment
     */
    private function begin(array $command, string $folder, array $more = []): void
    {
        $process = proc_open(
            ['setsid', ...$command], [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']], $pipes,
            $folder, [...$this->environment(), ...$more],
        );
        if ($process === false) {
            throw new RuntimeException("{$command[0]} did not start");
        }
        $this->processes[] = $process;
    }

    /**
     * Waits until something holds.
     *
     * @template T
     *
     * @param  callable(): T  $check  gives something true when it holds
     * @param  string|callable(): string  $what  is waited for; worked out when it was in vain
     * @return T
     */
    public static function await(callable $check, string|callable $what): mixed
    {
        $until = microtime(true) + self::PATIENCE;
        do {
            $found = $check();
            if ($found) {
                return $found;
            }
            usleep(50_000);
        } while (microtime(true) < $until);
        throw new RuntimeException('Waited in vain for '.(is_string($what) ? $what : $what()));
    }

    private static function listens(int $port): bool
    {
        $curl = curl_init("http://127.0.0.1:{$port}/");
        curl_setopt_array($curl, [CURLOPT_CONNECT_ONLY => true, CURLOPT_CONNECTTIMEOUT_MS => 200]);

        return curl_exec($curl) !== false;
    }

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        if ($socket === false) {
            throw new RuntimeException('no port is free');
        }
        $name = (string) stream_socket_get_name($socket, false);
        fclose($socket);

        return (int) substr($name, (int) strrpos($name, ':') + 1);
    }
}
