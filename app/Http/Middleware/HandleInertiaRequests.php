<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Run;
use App\Models\User;
use App\Support\Journal;
use App\Support\Settings;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Middleware;

/** What every page knows: who is signed in and may do what, the site, and which plan is shown and how old it is. */
final class HandleInertiaRequests extends Middleware
{
    protected $rootView = 'app';

    /** @return array<string, mixed> */
    public function share(Request $request): array
    {
        $user = $request->user();

        return [
            ...parent::share($request),
            'trouble' => fn () => $request->session()->get('trouble'),
            ...$user instanceof User ? $this->forUser($request, $user) : [],
        ];
    }

    /** @return array<string, mixed> */
    private function forUser(Request $request, User $user): array
    {
        $run = Run::live();

        return [
            'user' => ['name' => $user->name, 'role' => (string) $user->getRoleNames()->first(), 'can' => $user->getAllPermissions()->pluck('name')->all()],
            'sites' => DB::table('sites')->orderBy('code')->get(['code', 'name']),
            'site' => $request->session()->get('site', ''),
            'plan' => [
                'id' => $run?->id,
                'finishedAt' => $run?->finished_at?->toIso8601String(),
                'changes' => $run === null ? 0 : Journal::countSince($run->last_change),
                'planDate' => Settings::planDate(),
                'madeFor' => $run === null ? null : substr($run->plan_date, 0, 10),
                'running' => Run::query()->whereIn('status', ['queued', 'running'])->max('id'),
            ],
            'runDefaults' => fn () => $this->runDefaults($run),
            'forecastNames' => fn () => DB::table('forecast_buckets')->distinct()->orderBy('forecast')->pluck('forecast'),
            'counts' => fn () => $this->counts($run),
        ];
    }

    /** @return array<string, mixed> what the run panel starts from: the last run, else the installation's defaults */
    private function runDefaults(?Run $run): array
    {
        $parameters = $run->parameters ?? Settings::get(Settings::RUN_DEFAULTS, []);

        return ['horizonEnd' => $parameters['horizonEnd'] ?? null, 'bucket' => $parameters['bucket'] ?? 'week', 'forecasts' => $parameters['forecasts'] ?? []];
    }

    /** @return array<string, int> figures of the rail */
    private function counts(?Run $run): array
    {
        if ($run === null) {
            return ['proposals' => 0];
        }
        $converted = DB::table('conversions')->where('run_id', $run->id)->count();

        return ['proposals' => max(0, (int) ($run->summary['proposals'] ?? 0) - $converted)];
    }
}
