<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Draft;
use App\Models\Run;
use App\Models\Study;
use App\Models\User;
use App\Reading\ChangesSince;
use App\Reading\ForecastView;
use App\Reading\MessageList;
use App\Reading\OpenProposals;
use App\Reading\ProposalFilter;
use App\Reading\Shapes\ChangeRow;
use App\Reading\Shapes\CodeAndName;
use App\Reading\StoredPlan;
use App\Reading\TouchedSince;
use App\Support\Journal;
use App\Support\Settings;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Spatie\Activitylog\Models\Activity;
use Yposta\Core\Calendar\Day;

/** What every page knows of the person, the site and the plan that is shown: each method is a prop, computed where a page asks for it. */
final class SharedProps
{
    private const STUDIES_SHOWN = 8;

    private ?Run $run = null;

    private bool $looked = false;

    /** @var Collection<int, Activity>|null */
    private ?Collection $news = null;

    public function __construct(private readonly Request $request, private readonly User $person)
    {
    }

    /** @return array{name: string, role: string, can: list<string>} */
    public function user(): array
    {
        return [
            'name' => $this->person->name, 'role' => (string) $this->person->getRoleNames()->first(),
            'can' => array_values($this->person->getAllPermissions()->pluck('name')->map(strval(...))->all()),
        ];
    }

    /** @return list<CodeAndName> */
    public function sites(): array
    {
        return array_values(DB::table('sites')->orderBy('code')->get(['code', 'name'])
            ->map(fn ($row) => new CodeAndName($row->code, $row->name))->all());
    }

    /** The site that is looked at; empty for all. */
    public function site(): string
    {
        $site = $this->request->session()->get('site', '');

        return is_string($site) ? $site : '';
    }

    /** @return array{id: int|null, finishedAt: string|null, changes: int, planDate: string, madeFor: string|null, running: int|null, study: array{id: int, name: string}|null, countsUnsent: bool, leavesOut: string|null} which plan is shown and how old it is */
    public function plan(): array
    {
        $run = $this->run();
        $study = ShownPlan::study($this->request);
        $settings = Settings::several([Settings::PINNED_PLAN_DATE, Settings::TIME_ZONE, Settings::COUNT_UNSENT]);
        $running = Run::query()->whereNull('study_id')->whereIn('status', ['queued', 'running'])->max('id');

        return [
            'id' => $run?->id,
            'finishedAt' => $run?->finished_at?->toIso8601String(),
            'changes' => $run === null || count($this->news()) < TouchedSince::MOST ? count($this->news()) : Journal::countSince($run->last_change),
            'planDate' => Settings::planDate($settings),
            'madeFor' => $run === null ? null : substr($run->plan_date, 0, 10),
            'running' => is_numeric($running) ? (int) $running : null,
            'study' => $study === null ? null : ['id' => $study->id, 'name' => $study->name],
            'leavesOut' => $run?->leaves_out,
            'countsUnsent' => ($settings[Settings::COUNT_UNSENT] ?? true) === true,
        ];
    }

    /** @return list<ChangeRow> what was changed since the plan was made */
    public function changes(): array
    {
        return ChangesSince::told($this->news());
    }

    /** @return list<string> references, and keys of points, of what was changed since, so that the plan says of it what was before */
    public function touched(): array
    {
        return TouchedSince::references($this->news());
    }

    /** @return Collection<int, Activity> what was changed since the plan was made, newest first, looked up once */
    private function news(): Collection
    {
        $run = $this->run();

        return $this->news ??= $run === null ? new Collection : Journal::since($run->last_change, TouchedSince::MOST);
    }

    /** @return list<array{id: int, name: string, planned: bool}> those changed last */
    public function studies(): array
    {
        $studies = Study::query()->orderByDesc('updated_at')->limit(self::STUDIES_SHOWN)->get(['id', 'name']);

        return array_values($studies->map(fn (Study $one) => [
            'id' => $one->id,
            'name' => $one->name,
            'planned' => $one->result() !== null,
        ])->all());
    }

    /** @return list<string> forecasts that count in the last run, else in the installation's defaults */
    public function countedForecasts(): array
    {
        return $this->run()->parameters['forecasts'] ?? Settings::get(Settings::RUN_DEFAULTS, [])['forecasts'] ?? [];
    }

    /** @return list<string> */
    public function forecastNames(): array
    {
        return ForecastView::names();
    }

    /** @return array{lines: int, version: int, others: list<string>} the person's draft, and who else has one */
    public function draft(): array
    {
        $drafts = Draft::query()->with('user')->get();
        $own = $drafts->firstWhere('user_id', $this->person->id);
        $others = $drafts->filter(fn (Draft $draft) => $draft !== $own && $draft->lines !== [])
            ->map(fn (Draft $draft) => (string) $draft->user?->name)->sort();

        return ['lines' => count($own->lines ?? []), 'version' => $own->version ?? 0, 'others' => array_values($others->all())];
    }

    /** @return array{proposals: int, messages: int} figures of the rail: proposals to start this week, messages to work through */
    public function counts(): array
    {
        $run = $this->run();
        if ($run === null) {
            return ['messages' => 0, 'proposals' => 0];
        }
        $plan = new StoredPlan($run);
        $weekEnd = $plan->dates->iso(Day::weekStart($plan->planDate) + 6);

        return [
            'messages' => (new MessageList($plan))->open($this->site()),
            'proposals' => (new OpenProposals($plan, new ProposalFilter($this->site(), $weekEnd)))->count(),
        ];
    }

    /** The plan that is shown, looked up once. */
    private function run(): ?Run
    {
        if (! $this->looked) {
            $this->looked = true;
            $this->run = ShownPlan::run($this->request);
        }

        return $this->run;
    }
}
