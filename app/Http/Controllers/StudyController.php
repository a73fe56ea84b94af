<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\DeleteStudy;
use App\Actions\SaveStudy;
use App\Actions\StartRun;
use App\Http\ShownPlan;
use App\Models\Run;
use App\Models\Study;
use App\Planning\RunWishes;
use App\Reading\CompareView;
use App\Reading\Pages\ComparePage;
use App\Reading\Pages\StudiesPage;
use App\Reading\Shapes\PlanChoice;
use App\Reading\Shapes\SavedStudy;
use App\Reading\StudyList;
use App\Support\Roles;
use App\Support\Settings;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Response;
use Yposta\Core\Calendar\Day;

/** Saved what-ifs, and what differs between two plans. */
final class StudyController extends Controller
{
    public function index(Request $request): Response
    {
        return (new StudiesPage(
            rows: StudyList::of($this->user($request), Day::parse(Settings::planDate())),
            calendars: array_values(DB::table('calendars')->orderBy('code')->pluck('code')->map(strval(...))->all()),
            open: $request->string('open')->toString(),
        ))->show();
    }

    public function store(Request $request, SaveStudy $save, StartRun $start): JsonResponse
    {
        return $this->saved($request, $save, $start, null);
    }

    public function update(Request $request, SaveStudy $save, StartRun $start, Study $study): JsonResponse
    {
        return $this->saved($request, $save, $start, $study);
    }

    public function run(Request $request, StartRun $start, Study $study): JsonResponse
    {
        $this->may($request);
        SaveStudy::checkOwner($study, $this->user($request));

        return response()->json(new SavedStudy($study->id, $start($study->parameters, $this->user($request), $study)->id));
    }

    public function destroy(Request $request, DeleteStudy $delete, Study $study): JsonResponse
    {
        $this->may($request);
        $delete($study, $this->user($request));

        return response()->json(['id' => $study->id]);
    }

    /** Looks at a study's result in the place of the live plan, or goes back to that. */
    public function show(Request $request): JsonResponse
    {
        $id = $request->validate(['study' => 'present|nullable|integer'])['study'];
        $study = $id === null ? null : Study::query()->whereKey((int) $id)->firstOrFail();
        abort_if($study !== null && $study->result() === null, 422, (string) trans('This study has not been planned yet.'));
        ShownPlan::show($request, $study);

        return response()->json(['study' => $study?->id]);
    }

    public function compare(Request $request): Response
    {
        $names = ['a' => $request->string('a', 'live')->toString(), 'b' => $request->string('b')->toString()];
        $plans = array_map($this->result(...), $names);
        $view = $plans['a'] === null || $plans['b'] === null ? null : CompareView::between($plans['a'], $plans['b']);

        return (new ComparePage(
            filter: [...$names, 'list' => $this->list($request) ?? $view?->opening() ?? 'late'],
            choices: $this->choices(),
            running: $this->running($names['b']),
            failure: $this->failure($names['b']),
            figures: $view?->figures() ?? [],
            differences: $view?->counts(),
            late: $view?->late() ?? [],
            proposals: $view?->proposals() ?? [],
            messages: $view?->messages() ?? [],
            stock: $view?->stock() ?? [],
            loads: $view?->loads() ?? [],
            most: CompareView::MOST,
        ))->show();
    }

    /** @return 'late'|'proposals'|'messages'|'stock'|'load'|null */
    private function list(Request $request): ?string
    {
        $list = $request->query('list');

        return in_array($list, ['late', 'proposals', 'messages', 'stock', 'load'], true) ? $list : null;
    }

    private function saved(Request $request, SaveStudy $save, StartRun $start, ?Study $study): JsonResponse
    {
        $this->may($request);
        $given = $request->validate([
            'name' => 'required|string|max:200', 'version' => 'integer|min:0', 'run' => 'boolean', 'distinct' => 'boolean',
            'changes' => 'present|array|max:500', 'changes.*' => 'array',
            'parameters' => 'present|array:'.implode(',', array_filter(array_keys(RunWishes::RULES), fn (string $name) => ! str_contains($name, '.'))),
            ...array_combine(array_map(fn (string $name) => "parameters.{$name}", array_keys(RunWishes::RULES)), RunWishes::RULES),
        ]);
        $parameters = array_filter($given['parameters'], fn ($value) => $value !== null);
        $name = ($given['distinct'] ?? false) === true ? SaveStudy::freeName($given['name']) : $given['name'];
        $study = $save($study, $name, $parameters, array_values($given['changes']), (int) ($given['version'] ?? 0), $this->user($request));
        $run = ($given['run'] ?? false) === true ? $start($study->parameters, $this->user($request), $study) : null;

        return response()->json(new SavedStudy($study->id, $run?->id));
    }

    private function may(Request $request): void
    {
        abort_unless($this->user($request)->can(Roles::STUDY), 403);
    }

    /** The plan behind a name of the address: live, run-ID or study-ID. */
    private function result(string $name): ?Run
    {
        [$kind, $id] = [...explode('-', $name, 2), ''];

        return match ($kind) {
            'live' => Run::live(),
            'run' => Run::query()->where('stored', true)->whereNull('study_id')->find((int) $id),
            'study' => Study::query()->find((int) $id)?->result(),
            default => null,
        };
    }

    private function running(string $name): ?int
    {
        $run = str_starts_with($name, 'study-') ? Study::query()->find((int) substr($name, 6))?->newestRun() : null;

        return in_array($run?->status, ['queued', 'running'], true) ? $run->id : null;
    }

    private function failure(string $name): ?string
    {
        $run = str_starts_with($name, 'study-') ? Study::query()->find((int) substr($name, 6))?->newestRun() : null;

        return $run?->status === 'failed' ? $run->trouble : null;
    }

    /** @return list<PlanChoice> */
    private function choices(): array
    {
        $choices = [];
        foreach (Run::query()->whereNull('study_id')->where('stored', true)->orderByDesc('id')->get() as $run) {
            $choices[] = new PlanChoice(
                $run->current ? 'live' : "run-{$run->id}",
                (string) trans($run->current ? 'Live plan' : 'Plan before'),
                $run->finished_at?->toIso8601String(),
            );
        }
        foreach (Study::query()->orderBy('name')->get() as $study) {
            $choices[] = new PlanChoice("study-{$study->id}", $study->name, $study->result()?->finished_at?->toIso8601String());
        }

        return $choices;
    }
}
