<?php

declare(strict_types=1);

namespace App\Console\Serving;

use App\Support\Worker;
use Closure;
use React\ChildProcess\Process;
use React\EventLoop\Loop;

/**
 * A process that is begun again when it ends. It leads a group of its own, so that what it has begun ends with it, and it ends with the
 * one that watches.
 */
final class Watched
{
    /** Seconds until it is begun again; so long also that one that cannot begin does not keep the machine busy. */
    private const PAUSE = 0.5;

    /** Seconds that it has to begin its children. */
    private const SETTLED = 2;

    private ?Process $process = null;

    private int $since = 0;

    private bool $wanted = true;

    /**
     * @param  list<string>  $command
     * @param  array<string, string>  $environment
     * @param  Closure(string): void  $tell  is told when it has ended
     * @param  int  $children  that it keeps, itself included: with fewer it is begun again
     */
    public function __construct(
        private readonly string $name,
        private readonly array $command,
        private readonly string $folder,
        private readonly array $environment,
        private readonly Closure $tell,
        private readonly int $children = 0,
    ) {
    }

    public function begin(): void
    {
        // the shell hears when this process ends, and ends its whole group
        $command = implode(' ', array_map(escapeshellarg(...), $this->command));
        $line = 'exec setsid setpriv --pdeathsig TERM sh -c '.escapeshellarg("trap 'kill -KILL 0' TERM; {$command} & wait $!");
        $this->process = new Process($line, $this->folder, $this->environment, [
            ['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w'],
        ]);
        $this->since = time();
        $this->process->start(interval: 0.1);
        $this->process->on('exit', function (?int $code, ?int $signal): void {
            $this->signal(SIGKILL); // what it has begun and left
            $this->process = null;
            if ($this->wanted) {
                ($this->tell)("{$this->name} has ended (".($signal === null ? "code {$code}" : "signal {$signal}").') and is begun again');
                Loop::addTimer(self::PAUSE, fn () => $this->wanted && $this->begin());
            }
        });
    }

    /** Ends it where children of it have died, which it does not notice itself; it is then begun again as a whole. */
    public function check(): void
    {
        $process = $this->process?->getPid();
        $settled = $process !== null && time() - $this->since > self::SETTLED;
        if ($this->children > 0 && $settled && count(self::descendants($process)) < $this->children) {
            ($this->tell)("{$this->name} has lost a child");
            $this->signal(SIGKILL);
        }
    }

    public function end(): void
    {
        $this->wanted = false;
        $this->signal(SIGTERM);
    }

    public function isRunning(): bool
    {
        return $this->process?->isRunning() === true;
    }

    public function signal(int $signal): void
    {
        $process = $this->process?->getPid();
        $process === null || posix_kill(-$process, $signal) || posix_kill($process, $signal);
    }

    /** @return list<int> what it has begun, and what that has begun */
    private static function descendants(int $process): array
    {
        $found = [];
        foreach (array_filter(explode(' ', (string) @file_get_contents("/proc/{$process}/task/{$process}/children"))) as $child) {
            Worker::lives((int) $child) && array_push($found, (int) $child, ...self::descendants((int) $child));
        }

        return $found;
    }
}
