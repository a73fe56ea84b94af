<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\CommitDraft;
use App\Actions\EditDraft;
use App\Actions\SaveStudy;
use App\Actions\StartRun;
use App\Models\Draft;
use App\Reading\GridFigure;
use App\Reading\Shapes\DraftedBalances;
use App\Reading\Shapes\KeptStudy;
use App\Support\Roles;
use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** A person's draft: what is tried before anything is written. */
final class DraftController extends Controller
{
    public function show(Request $request, PlanClient $plans): JsonResponse
    {
        return $this->state($request, $plans);
    }

    public function store(Request $request, EditDraft $edit, PlanClient $plans): JsonResponse
    {
        $this->may($request);
        $given = $request->validate([
            'changes' => 'required|array|min:1|max:60',
            'changes.*' => 'array',
            'title' => 'nullable|string|max:190', 'sure' => 'boolean',
        ]);

        $edit->add($this->user($request), array_values($given['changes']), $given['title'] ?? null, ($given['sure'] ?? false) === true);

        return $this->state($request, $plans);
    }

    public function drop(Request $request, EditDraft $edit, PlanClient $plans, int $id): JsonResponse
    {
        $this->may($request);
        $edit->drop($this->user($request), $id);

        return $this->state($request, $plans);
    }

    /** Takes a line over that someone else's change has overtaken. */
    public function accept(Request $request, EditDraft $edit, PlanClient $plans, int $id): JsonResponse
    {
        $this->may($request);
        $edit->accept($this->user($request), $id);

        return $this->state($request, $plans);
    }

    public function discard(Request $request, EditDraft $edit, PlanClient $plans): JsonResponse
    {
        $this->may($request);
        $edit->discard($this->user($request));

        return $this->state($request, $plans);
    }

    public function step(Request $request, EditDraft $edit, PlanClient $plans): JsonResponse
    {
        $this->may($request);
        $back = $request->validate(['back' => 'required|boolean'])['back'];

        $edit->step($this->user($request), (bool) $back);

        return $this->state($request, $plans);
    }

    /** The balances of some points that the draft changes, for the plan grid and the record of an item. */
    public function balances(Request $request, PlanClient $plans): JsonResponse
    {
        $given = $request->validate([
            'points' => 'required|array|max:300', 'points.*' => 'string|max:400', 'bucket' => 'required|in:day,week,month',
            'as' => 'required|in:expected,needed', 'show' => ['required', Rule::enum(GridFigure::class)],
        ]);
        $lines = Draft::of($this->user($request))->lines ?? [];

        return response()->json($lines === []
            ? new DraftedBalances([])
            : $plans->ask(
                PlanQuestion::Balances,
                lines: $lines,
                points: array_values($given['points']),
                bucket: $given['bucket'],
                asExpected: $given['as'] === 'expected',
                show: $given['show'],
            ));
    }

    public function commit(Request $request, CommitDraft $commit): JsonResponse
    {
        $this->may($request);
        $given = $request->validate(['version' => 'required|integer', 'key' => 'required|string|min:16|max:64']);

        return response()->json($commit((int) $given['version'], $given['key'], $this->user($request)));
    }

    /** Keeps the draft as a study and plans that; the draft stays. */
    public function keep(Request $request, SaveStudy $save, StartRun $start): JsonResponse
    {
        $this->may($request);
        $name = $request->validate(['name' => 'required|string|max:80'])['name'];
        $user = $this->user($request);
        $changes = array_merge(...array_column(Draft::of($user)->lines ?? [], 'changes'));
        $study = $save(null, SaveStudy::freeName($name), [], $changes, 0, $user);

        return response()->json(new KeptStudy($study->id, $study->name, $start($study->parameters, $user, $study)->id));
    }

    private function state(Request $request, PlanClient $plans): JsonResponse
    {
        return response()->json($plans->ask(PlanQuestion::Tray, user: $this->user($request)->id));
    }

    private function may(Request $request): void
    {
        abort_unless($this->user($request)->can(Roles::STUDY), 403);
    }
}
