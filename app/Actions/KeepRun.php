<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\KeptRun;
use App\Models\User;
use App\Planning\RunWishes;
use App\Support\Idempotency;
use App\Support\Journal;
use App\Support\Refused;
use App\Support\Roles;
use App\Support\Settings;
use App\Support\Words;
use Yposta\Core\Support\Phrase;

/** Keeps by name what a run is asked for, and at what time of each day it begins by itself; or takes it away. */
final readonly class KeepRun
{
    private const LONGEST_NAME = 80;

    public function __construct(private StartRun $start)
    {
    }

    /**
     * @param  array<string, mixed>  $wishes  see {@see RunWishes}
     * @param  string|null  $dailyAt  time of the company's day, 06:00; the one that had it before has it no more
     * @param  int  $version  as it was seen; 0 for one that is not there yet
     * @param  bool  $agreed  whether the person has read what a run by itself would leave out
     * @return array<string, mixed> id and version
     *
     * @throws Refused
     */
    public function keep(string $name, array $wishes, ?string $dailyAt, int $version, bool $agreed, string $key, User $by): array
    {
        self::check($by);
        $name = trim($name);
        $name !== '' && mb_strlen($name) <= self::LONGEST_NAME || throw Refused::because('run.name', ['most' => self::LONGEST_NAME], 'name');
        $leavesOut = $this->start->leavesOut(RunWishes::options($wishes));
        $leavesOut === null || $agreed || $dailyAt === null
            || throw Refused::because('run.daily_leaves_out', ['what' => $leavesOut], 'leaves', ['what' => $leavesOut]);

        return Idempotency::once($key, 'keep run', $by, function () use ($name, $wishes, $dailyAt, $version, $agreed, $by): array {
            $kept = KeptRun::query()->where('name', $name)->lockForUpdate()->first();
            $version === 0 && $kept !== null && throw Refused::because('run.kept', ['name' => $name], 'known', ['version' => $kept->version]);
            $version !== 0 && $kept?->version !== $version && throw Refused::because('run.stale', ['name' => $name], 'stale');
            $kept ??= new KeptRun(['name' => $name, 'version' => 0]);
            $dailyAt === null || KeptRun::query()->where('name', '!=', $name)->whereNotNull('daily_at')->update(['daily_at' => null, 'trouble' => null]);
            $now = Settings::now();
            $kept->fill([
                'wishes' => RunWishes::kept($wishes), 'daily_at' => $dailyAt, 'agreed' => $agreed, 'trouble' => null, 'user_id' => $by->id,
                'version' => $kept->version + 1,
                // the first is that of the next day, where the time of this one has passed
                'last_day' => $dailyAt === null || $dailyAt > $now->format('H:i') ? $kept->last_day : $now->toDateString(),
            ])->save();
            Journal::note('kept run', Words::say($dailyAt === null
                ? new Phrase('journal.run.kept', ['name' => $name])
                : new Phrase('journal.run.daily', ['name' => $name, 'at' => $dailyAt])), $by);

            return ['id' => $kept->id, 'version' => $kept->version];
        });
    }

    /** @throws Refused when somebody has changed it since it was seen */
    public function takeAway(string $name, int $version, User $by): void
    {
        self::check($by);
        $gone = KeptRun::query()->where('name', $name)->where('version', $version)->delete();
        $gone === 1 || ! KeptRun::query()->where('name', $name)->exists() || throw Refused::because('run.stale', ['name' => $name], 'stale');
        $gone === 1 && Journal::note('kept run', Words::say(new Phrase('journal.run.forgotten', ['name' => $name])), $by);
    }

    private static function check(User $by): void
    {
        $by->can(Roles::RUN) || throw Refused::because('run.forbidden', [], 'forbidden');
    }
}
