<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Run;
use App\Models\User;
use App\Planning\Read\ProposalList;
use App\Planning\Read\StoredPlan;
use App\Support\Journal;
use App\Support\Settings;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Middleware;
use Yposta\Core\Calendar\Day;

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
            'counts' => fn () => $this->counts($run, (string) $request->session()->get('site', '')),
        ];
    }

    /** @return array<string, mixed> what the run panel starts from: the last run, else the installation's defaults */
    private function runDefaults(?Run $run): array
    {
        $parameters = $run->parameters ?? Settings::get(Settings::RUN_DEFAULTS, []);

        return ['horizonEnd' => $parameters['horizonEnd'] ?? null, 'bucket' => $parameters['bucket'] ?? 'week', 'forecasts' => $parameters['forecasts'] ?? []];
    }

    /** @return array<string, int> figures of the rail: proposals to start this week */
    private function counts(?Run $run, string $site): array
    {
        if ($run === null) {
            return ['proposals' => 0];
        }
        $plan = new StoredPlan($run);

        return ['proposals' => (new ProposalList($plan))->query($site, $plan->dates->iso(Day::weekStart($plan->planDate) + 6))->count()];
    }
}
