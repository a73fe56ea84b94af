<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\AskedSchedule;
use App\Support\Words;
use App\Support\Worker;
use Yposta\Core\Support\Phrase;

/** Finds schedules whose worker has died, and says so: nothing was written, they can be asked for again. */
final class DeadSchedules
{
    public static function look(): void
    {
        foreach (AskedSchedule::query()->where('status', 'running')->get() as $schedule) {
            Worker::isGone($schedule->worker) && AskedSchedule::query()->whereKey($schedule->id)->where('status', 'running')->update([
                'status' => 'failed', 'stage' => null, 'finished_at' => now(), 'trouble' => Words::say(new Phrase('journal.schedule.died')),
            ]);
        }
    }
}
