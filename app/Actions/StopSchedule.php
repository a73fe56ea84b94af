<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\AskedSchedule;
use App\Support\Refused;

/** Ends the making of a schedule, or drops one that was made. */
final class StopSchedule
{
    /**
     * @param  bool  $keeps  whether the best so far is wanted
     *
     * @throws Refused when it is not being made
     */
    public function __invoke(int $id, bool $keeps): AskedSchedule
    {
        $waits = ! $keeps && AskedSchedule::query()->whereKey($id)->where('status', 'queued')
            ->update(['status' => 'dropped', 'finished_at' => now()]) === 1;
        $waits || AskedSchedule::query()->whereKey($id)->where('status', 'running')->update(['stop' => $keeps ? 'keep' : 'drop']) === 1
            || throw Refused::because('schedule.over', [], 'over');

        return AskedSchedule::query()->with('user')->findOrFail($id);
    }

    /** @throws Refused when there is none that was made and not kept */
    public function drop(int $id): AskedSchedule
    {
        AskedSchedule::query()->whereKey($id)->where('status', 'done')->update(['status' => 'dropped']) === 1
            || throw Refused::because('schedule.over', [], 'over');

        return AskedSchedule::query()->with('user')->findOrFail($id);
    }
}
