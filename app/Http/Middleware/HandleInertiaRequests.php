<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Draft;
use App\Models\Run;
use App\Models\Study;
use App\Models\User;
use App\Planning\Read\Changes;
use App\Planning\Read\MessageList;
use App\Planning\Read\ProposalList;
use App\Planning\Read\StoredPlan;
use App\Support\Journal;
use App\Support\Settings;
use App\Support\ShownPlan;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Middleware;
use Yposta\Core\Calendar\Day;

/** What every page knows: who is signed in and may do what, the site, and which plan is shown and how old it is. */
final class HandleInertiaRequests extends Middleware
{
    private const STUDIES_SHOWN = 8;

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
        $run = ShownPlan::run($request);
        $study = ShownPlan::study($request);

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
                'running' => Run::query()->whereNull('study_id')->whereIn('status', ['queued', 'running'])->max('id'),
                'study' => $study === null ? null : ['id' => $study->id, 'name' => $study->name],
            ],
            'changes' => fn () => $run === null ? [] : Changes::since($run->last_change),
            'studies' => fn () => Study::query()->orderByDesc('updated_at')->limit(self::STUDIES_SHOWN)->get(['id', 'name'])->map(fn (Study $one) => ['id' => $one->id, 'name' => $one->name, 'planned' => $one->result() !== null]),
            'runDefaults' => fn () => $this->runDefaults($run),
            'forecastNames' => fn () => DB::table('forecast_buckets')->distinct()->orderBy('forecast')->pluck('forecast'),
            'draft' => fn () => $this->draft($user),
            'counts' => fn () => $this->counts($run, (string) $request->session()->get('site', '')),
        ];
    }

    /** @return array{lines: int, version: int, others: list<string>} the person's draft, and who else has one */
    private function draft(User $user): array
    {
        $own = Draft::of($user);
        $others = Draft::query()->with('user')->where('user_id', '<>', $user->id)->get()->filter(fn (Draft $draft) => $draft->lines !== [])->map(fn (Draft $draft) => (string) $draft->user?->name)->sort();

        return ['lines' => count($own->lines ?? []), 'version' => $own->version ?? 0, 'others' => array_values($others->all())];
    }

    /** @return array<string, mixed> what the run panel starts from: the last run, else the installation's defaults */
    private function runDefaults(?Run $run): array
    {
        $parameters = $run->parameters ?? Settings::get(Settings::RUN_DEFAULTS, []);

        return ['horizonEnd' => $parameters['horizonEnd'] ?? null, 'bucket' => $parameters['bucket'] ?? 'week', 'forecasts' => $parameters['forecasts'] ?? []];
    }

    /** @return array<string, int> figures of the rail and the head: proposals to start this week, messages to work through */
    private function counts(?Run $run, string $site): array
    {
        if ($run === null) {
            return ['proposals' => 0, 'messages' => 0];
        }
        $plan = new StoredPlan($run);

        return ['messages' => (new MessageList($plan, fn () => null))->query($site, false)->count(), 'proposals' => (new ProposalList($plan))->query($site, $plan->dates->iso(Day::weekStart($plan->planDate) + 6))->count()];
    }
}
