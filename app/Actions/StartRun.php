<?php

declare(strict_types=1);

namespace App\Actions;

use App\Jobs\DeadRuns;
use App\Jobs\ExecuteRun;
use App\Models\KeptRun;
use App\Models\Run;
use App\Models\Study;
use App\Models\User;
use App\Planning\LiveNetwork;
use App\Planning\RunParameters;
use App\Planning\RunWishes;
use App\Support\Refused;
use App\Support\Settings;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Options\Options;
use Yposta\Core\Structure\LeftOut;
use Yposta\Core\Structure\LoopFound;

/** Queues a run of the live plan, or of a study. */
final readonly class StartRun
{
    /** What kinds of supply are called. */
    private const SUPPLIES = [
        'stock' => 'stock', 'purchase' => 'purchase orders', 'production' => 'production orders', 'transfer' => 'transfer orders',
    ];

    public function __construct(private LiveNetwork $data)
    {
    }

    /**
     * @param  array<string, mixed>  $wishes  see {@see RunWishes}
     * @param  bool  $agreed  whether the person has read what a plan for everybody would leave out
     * @param  KeptRun|null  $kept  the kept run that it is
     *
     * @throws Refused when the wishes contradict each other, a run is under way, or it leaves out what nobody has agreed to
     */
    public function __invoke(array $wishes, ?User $by, ?Study $study = null, bool $agreed = true, ?KeptRun $kept = null): Run
    {
        $options = RunWishes::options($study === null ? $wishes : [...self::shopOfLive(), ...$wishes]);
        $leavesOut = $this->leavesOut($options);
        if ($study === null && $leavesOut !== null && ! $agreed) {
            throw Refused::because('run.leaves_out', ['what' => $leavesOut], 'leaves', ['what' => $leavesOut]);
        }
        DeadRuns::look();
        $run = DB::transaction(function () use ($options, $wishes, $by, $study, $leavesOut, $kept): Run {
            $underWay = fn () => Run::query()->where('study_id', $study?->id)->whereIn('status', ['queued', 'running']);
            if ($underWay()->exists()) {
                throw $study === null
                    ? Refused::because('run.under_way', [], 'running')
                    : Refused::because('study.under_way', ['study' => $study->name], 'running');
            }

            $run = Run::query()->create([
                'study_id' => $study?->id, 'status' => 'queued', 'parameters' => RunParameters::of($options),
                'wishes' => RunWishes::kept($wishes), 'kept_run' => $kept?->name, 'leaves_out' => $leavesOut, 'user_id' => $by?->id,
                'plan_date' => Day::format($options->planDate), 'horizon_end' => Day::format($options->horizonEnd),
            ]);
            self::queueIsHere() && ExecuteRun::dispatch($run->id); // the run and its job are there together, or neither

            return $run;
        });
        self::queueIsHere() || ExecuteRun::dispatch($run->id);

        return $run->refresh();
    }

    /** Whether jobs are kept in the database, and so come with the transaction. */
    public static function queueIsHere(): bool
    {
        return config('queue.default') === 'database';
    }

    /**
     * The live plan with what was asked of it, as of today.
     *
     * @param  array<string, mixed>  $wishes  what differs from them
     *
     * @throws Refused when a run is under way
     */
    public function again(?User $by, array $wishes = []): Run
    {
        $live = Run::live();
        $before = $live->wishes ?? $live->parameters ?? []; // an older one does not know what it was asked for
        unset($before['planDate']);
        if (($before['horizonEnd'] ?? '') < Settings::planDate()) {
            unset($before['horizonEnd']);
        }

        return $this([...$before, ...$wishes], $by);
    }

    /** @return array<string, mixed> whether the live plan has the dates of the shop, so that a study can be held against it */
    private static function shopOfLive(): array
    {
        return array_intersect_key(Run::live()->parameters ?? [], ['schedule' => true, 'scheduleDays' => true]);
    }

    /** "3 of 186 items, forecast SERVICE, 41 sales lines"; null for nothing. */
    public function leavesOut(Options $options): ?string
    {
        $usual = array_values(array_filter((array) (Settings::get(Settings::RUN_DEFAULTS, [])['forecasts'] ?? []), is_string(...)));
        try {
            $out = LeftOut::by($options, $this->data->read(...), $usual);
        } catch (LoopFound) {
            return null; // the run will say so
        } finally {
            $this->data->forget();
        }
        if ($out->isNothing()) {
            return null;
        }
        $parts = [
            ...($out->items === 0 ? [] : [trans_choice('{1} 1 of :all items|[2,*] :count of :all items', $out->items, ['all' => $out->ofItems])]),
            ...array_map(fn (string $name) => trans('forecast :name', ['name' => $name]), $out->forecasts),
            ...array_map(fn (string $code) => trans('site :code', ['code' => $code]), $out->sites),
            ...array_map(fn (string $kind) => trans(self::SUPPLIES[$kind]), $out->supplies),
            ...($out->salesLines === 0 ? [] : [trans_choice('{1} 1 sales line|[2,*] :count sales lines', $out->salesLines)]),
        ];

        return implode(', ', array_map(fn (mixed $part) => is_string($part) ? $part : '', $parts));
    }
}
