<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\KeptRun;
use App\Models\Run;
use App\Support\Refused;
use App\Support\Settings;

/** Begins the run of the day once its time has come. What keeps it from beginning is told on Today, and not tried again before tomorrow. */
final readonly class StartDailyRun
{
    public function __construct(private StartRun $start)
    {
    }

    /** @return Run|null null where it is not time, it has begun today, or another is under way: then it is tried again */
    public function __invoke(): ?Run
    {
        $kept = KeptRun::daily();
        $now = Settings::now();
        if ($kept === null || $now->format('H:i') < $kept->daily_at) {
            return null;
        }
        $before = $kept->last_day;
        $today = $now->toDateString();
        $free = KeptRun::query()->whereKey($kept->id)->where(fn ($query) => $query->whereNull('last_day')->orWhere('last_day', '<', $today));
        if ($free->update(['last_day' => $today, 'trouble' => null]) !== 1) {
            return null;
        }
        try {
            return ($this->start)($kept->wishes, null, null, $kept->agreed, $kept);
        } catch (Refused $refused) {
            KeptRun::query()->whereKey($kept->id)->update(
                $refused->reason === 'running' ? ['last_day' => $before] : ['trouble' => $refused->sentence()],
            );

            return null;
        }
    }
}
