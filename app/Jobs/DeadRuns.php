<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Run;
use App\Support\Words;
use App\Support\Worker;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Yposta\Core\Support\Phrase;

/** Finds runs whose worker has died, and begins them again; what dies again and again is given up. */
final class DeadRuns
{
    /** A run on another machine that has not been heard of for so many minutes has died. */
    private const SILENT_MINUTES = 10;

    /** A run that waits, though nothing else is planned, was lost on its way to the worker. */
    private const LOST_SECONDS = 8;

    private const MOST_ATTEMPTS = 3;

    public static function look(): void
    {
        $open = Run::query()->whereIn('status', ['queued', 'running'])->get();
        $busy = false;
        foreach ($open->where('status', 'running') as $run) {
            $dead = Worker::isGone($run->worker) || $run->updated_at?->isBefore(now()->subMinutes(self::SILENT_MINUTES));
            $dead ? self::again($run) : $busy = true;
        }
        foreach ($busy ? [] : $open->where('status', 'queued') as $run) {
            $run->updated_at?->isBefore(now()->subSeconds(self::LOST_SECONDS)) && ! self::waits() && self::again($run);
        }
    }

    /** Whether somebody will take a job out of the queue, as far as the queue tells. */
    private static function waits(): bool
    {
        return config('queue.default') === 'database'
            ? DB::table('jobs')->whereNull('reserved_at')->exists()
            : Queue::size() > 0;
    }

    private static function again(Run $run): void
    {
        DB::transaction(function () use ($run): void {
            $given = $run->attempts >= self::MOST_ATTEMPTS;
            $mine = Run::query()->whereKey($run->id)->where('status', $run->status)->where('worker', $run->worker)->update([
                'status' => $given ? 'failed' : 'queued', 'stage' => null, 'worker' => null,
                'trouble' => Words::say(new Phrase($given ? 'journal.run.died' : 'journal.run.again')),
                'finished_at' => $given ? now() : null,
            ]);
            if ($mine === 1 && ! $given) {
                ExecuteRun::dispatch($run->id);
            }
        });
    }
}
