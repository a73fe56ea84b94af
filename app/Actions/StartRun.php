<?php

declare(strict_types=1);

namespace App\Actions;

use App\Jobs\DeadRuns;
use App\Jobs\ExecuteRun;
use App\Models\Run;
use App\Models\Study;
use App\Models\User;
use App\Planning\LiveNetwork;
use App\Planning\RunParameters;
use App\Support\Refused;
use App\Support\Settings;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Options\InvalidOptions;
use Yposta\Core\Options\Options;
use Yposta\Core\Structure\LeftOut;
use Yposta\Core\Structure\LoopFound;

/** Queues a run of the live plan, or of a study. */
final readonly class StartRun
{
    public function __construct(private LiveNetwork $data)
    {
    }

    /**
     * @param  array<string, mixed>  $wishes  what differs from the installation's defaults, by argument of {@see Options}; `soldOnly`
     *    narrows to what is sold, or if false takes all levels
     * @param  bool  $agreed  whether the person has read what a plan for everybody would leave out
     *
     * @throws Refused when the wishes contradict each other, a run is under way, or it leaves out what nobody has agreed to
     */
    public function __invoke(array $wishes, ?User $by, ?Study $study = null, bool $agreed = true): Run
    {
        $options = $this->options($study === null ? $wishes : [...self::shopOfLive(), ...$wishes]);
        $leavesOut = $this->leavesOut($options);
        if ($study === null && $leavesOut !== null && ! $agreed) {
            throw Refused::because('run.leaves_out', ['what' => $leavesOut], 'leaves', ['what' => $leavesOut]);
        }
        DeadRuns::look();
        $run = DB::transaction(function () use ($options, $by, $study, $leavesOut): Run {
            $underWay = fn () => Run::query()->where('study_id', $study?->id)->whereIn('status', ['queued', 'running']);
            if ($underWay()->exists()) {
                throw $study === null
                    ? Refused::because('run.under_way', [], 'running')
                    : Refused::because('study.under_way', ['study' => $study->name], 'running');
            }

            $run = Run::query()->create([
                'study_id' => $study?->id,
                'status' => 'queued', 'parameters' => RunParameters::of($options), 'plan_date' => Day::format($options->planDate),
                'horizon_end' => Day::format($options->horizonEnd), 'user_id' => $by?->id, 'leaves_out' => $leavesOut,
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
     * The live plan with the parameters that it had, as of today.
     *
     * @param  array<string, mixed>  $wishes  what differs from them
     *
     * @throws Refused when a run is under way
     */
    public function again(?User $by, array $wishes = []): Run
    {
        $parameters = Run::live()->parameters ?? [];
        unset($parameters['planDate']);
        if (($parameters['horizonEnd'] ?? '') < Settings::planDate()) {
            unset($parameters['horizonEnd']);
        }

        return $this([...$parameters, ...$wishes], $by);
    }

    /** @return array<string, mixed> whether the live plan has the dates of the shop, so that a study can be held against it */
    private static function shopOfLive(): array
    {
        return array_intersect_key(Run::live()->parameters ?? [], ['schedule' => true, 'scheduleDays' => true]);
    }

    /** "3 of 186 items, forecast SERVICE, 41 sales lines"; null for nothing. */
    private function leavesOut(Options $options): ?string
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
            ...($out->salesLines === 0 ? [] : [trans_choice('{1} 1 sales line|[2,*] :count sales lines', $out->salesLines)]),
        ];

        return implode(', ', array_map(fn (mixed $part) => is_string($part) ? $part : '', $parts));
    }

    /**
     * @param  array<string, mixed>  $wishes
     */
    private function options(array $wishes): Options
    {
        $defaults = Settings::get(Settings::RUN_DEFAULTS, []);
        $planDate = Settings::planDate();
        $soldOnly = ($wishes['soldOnly'] ?? null) === true;
        $allLevels = ($wishes['soldOnly'] ?? null) === false;
        unset($wishes['soldOnly'], $defaults['horizonEnd'], $defaults['planDate']);
        $horizon = $this->defaultHorizon($planDate);
        $parameters = [
            ...$defaults, 'planDate' => $planDate, 'horizonEnd' => $horizon,
            ...array_filter($wishes, fn ($wish) => $wish !== null),
        ];
        if (isset($wishes['sites']) && array_diff(DB::table('sites')->pluck('code')->all(), (array) $wishes['sites']) === []) {
            $parameters['sites'] = null;
        }
        if ($allLevels) {
            $parameters['items'] = null;
        } elseif ($soldOnly) {
            $parameters['items'] = array_map(
                strval(...),
                DB::table('sales_lines')->select('item_code')->union(DB::table('forecast_buckets')->select('item_code'))
                    ->orderBy('item_code')->pluck('item_code')->all(),
            );
        }
        try {
            return RunParameters::options($parameters);
        } catch (InvalidOptions $trouble) {
            throw Refused::because('run.parameters', ['trouble' => $trouble->phrase()], 'parameters');
        }
    }

    /** The imported horizon keeps its length when the plan date moves on. */
    private function defaultHorizon(string $planDate): string
    {
        $defaults = Settings::get(Settings::RUN_DEFAULTS, []);
        $length = isset($defaults['horizonEnd'], $defaults['planDate'])
            ? Day::parse($defaults['horizonEnd']) - Day::parse($defaults['planDate'])
            : 365;

        return Day::format(Day::parse($planDate) + $length);
    }
}
