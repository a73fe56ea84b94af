<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Throwable;

/** Which parts of an installation are there: the database, the worker, the process that keeps the plan. */
final class Health
{
    /** Seconds after which a worker that has said nothing is missed. */
    private const SILENT = 15;

    /** Seconds between two words of a worker. */
    private const EVERY = 5;

    private static int $said = 0;

    /** The worker says that it is there; called as often as it looks for something to do. */
    public static function workerIsHere(): void
    {
        if (time() - self::$said >= self::EVERY) {
            self::$said = time();
            rescue(fn () => Cache::put('worker-seen', time(), 3600));
        }
    }

    /** @return list<string> what is missing: database, worker, plan */
    public static function missing(): array
    {
        try {
            $works = DB::table('runs')->where('status', 'running')->whereNotNull('worker')->pluck('worker');
        } catch (Throwable) {
            return ['database'];
        }
        $missing = [];
        if (config('queue.default') !== 'sync') {
            $busy = $works->contains(fn (mixed $worker) => is_string($worker) && ! Worker::isGone($worker));
            $busy || time() - Stored::int(Cache::get('worker-seen', 0)) <= self::SILENT || $missing[] = 'worker';
        }
        $socket = config('yposta.plan_socket');
        if (is_string($socket) && $socket !== '') {
            $connection = @stream_socket_client("unix://{$socket}", $number, $message, 1);
            $connection === false ? $missing[] = 'plan' : fclose($connection);
        }

        return $missing;
    }
}
