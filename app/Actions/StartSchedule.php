<?php

declare(strict_types=1);

namespace App\Actions;

use App\Jobs\DeadSchedules;
use App\Jobs\MakeSchedule;
use App\Models\AskedSchedule;
use App\Models\Run;
use App\Models\User;
use App\Support\Refused;
use Illuminate\Support\Facades\DB;

/** Has the shop scheduled anew. Nothing is written to orders until the result is kept. */
final readonly class StartSchedule
{
    /**
     * @param  array{rule: string, direction: string, aim: string, steps: int, seconds: int, frozenDays: int, proposalsDays: int, setupWindow: int, centres: list<string>|null, orders: list<string>|null}  $options  of {@see \Yposta\Core\Scheduling\ScheduleOptions}, with the seconds after which improving ends
     *
     * @throws Refused when there is no plan, or another is being made
     */
    public function __invoke(array $options, User $by): AskedSchedule
    {
        Run::live() ?? throw Refused::because('plan.none', [], 'no plan');
        $this->known('work_centres', $options['centres'] ?? [], 'schedule.no_centre');
        $this->known('order_lines', $options['orders'] ?? [], 'schedule.no_order');
        DeadSchedules::look();
        AskedSchedule::forgetOld();
        $schedule = DB::transaction(function () use ($options, $by): AskedSchedule {
            $other = AskedSchedule::query()->with('user')->whereIn('status', ['queued', 'running'])->lockForUpdate()->first();
            if ($other !== null) {
                throw Refused::because('schedule.under_way', ['by' => $other->user->name ?? ''], 'running');
            }

            $schedule = AskedSchedule::query()->create(['user_id' => $by->id, 'status' => 'queued', 'options' => $options]);
            StartRun::queueIsHere() && MakeSchedule::dispatch($schedule->id); // it and its job are there together, or neither

            return $schedule;
        });
        StartRun::queueIsHere() || MakeSchedule::dispatch($schedule->id);

        return $schedule->refresh();
    }

    /** @param  list<string>  $codes */
    private function known(string $table, array $codes, string $refusal): void
    {
        $known = DB::table($table)->whereIn('code', $codes)->pluck('code')->all();
        foreach ($codes as $code) {
            in_array($code, $known, true) || throw Refused::because($refusal, ['code' => $code], 'options');
        }
    }
}
