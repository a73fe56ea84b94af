<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\KeepRun;
use App\Actions\StartRun;
use App\Jobs\DeadRuns;
use App\Models\KeptRun;
use App\Models\Run;
use App\Planning\RunWishes;
use App\Reading\Figures;
use App\Reading\KeptRunList;
use App\Reading\Shapes\RunStage;
use App\Reading\Shapes\RunState;
use App\Reading\Shapes\RunStatus;
use App\Support\Refused;
use App\Support\Roles;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class RunController extends Controller
{
    public function store(Request $request, StartRun $start): JsonResponse
    {
        abort_unless($this->user($request)->can(Roles::RUN), 403);
        $given = $request->validate([...RunWishes::RULES, 'agreed' => 'boolean', 'kept' => 'nullable|string|max:80']);
        $kept = isset($given['kept'])
            ? KeptRun::query()->where('name', $given['kept'])->first() ?? throw Refused::because('run.not_kept', ['name' => $given['kept']], 'kept')
            : null;
        $wishes = $kept->wishes ?? array_intersect_key($given, RunWishes::RULES);

        return response()->json($this->state($start($wishes, $this->user($request), null, ($given['agreed'] ?? false) === true, $kept)));
    }

    /** What a run can be begun with. */
    public function kept(Request $request): JsonResponse
    {
        abort_unless($this->user($request)->can(Roles::RUN), 403);

        return response()->json(KeptRunList::all());
    }

    public function keep(Request $request, KeepRun $keep): JsonResponse
    {
        $given = $request->validate([
            ...RunWishes::RULES, 'name' => 'required|string|max:200', 'dailyAt' => ['nullable', 'regex:/^([01]\d|2[0-3]):[0-5]\d$/D'],
            'version' => 'required|integer|min:0', 'agreed' => 'boolean', 'key' => 'required|string|min:16|max:64',
        ]);
        $keep->keep(
            name: $given['name'], wishes: array_intersect_key($given, RunWishes::RULES), dailyAt: $given['dailyAt'] ?? null,
            version: (int) $given['version'], agreed: ($given['agreed'] ?? false) === true, key: $given['key'], by: $this->user($request),
        );

        return response()->json(KeptRunList::all());
    }

    public function forget(Request $request, KeepRun $keep): JsonResponse
    {
        $given = $request->validate(['name' => 'required|string|max:200', 'version' => 'required|integer|min:0']);
        $keep->takeAway($given['name'], (int) $given['version'], $this->user($request));

        return response()->json(KeptRunList::all());
    }

    /** The live plan once more with its parameters, to take in what has changed since. */
    public function refresh(Request $request, StartRun $start): JsonResponse
    {
        abort_unless($this->user($request)->can(Roles::RUN), 403);

        return response()->json($this->state($start->again($this->user($request))));
    }

    public function show(Run $run): JsonResponse
    {
        DeadRuns::look();
        $run->refresh();

        return response()->json($this->state($run));
    }

    private function state(Run $run): RunState
    {
        return new RunState(
            $run->id, RunStatus::from($run->status), RunStage::tryFrom((string) $run->stage), $run->trouble,
            $run->status === 'done' ? Figures::of($run, $run->study_id === null ? Figures::before($run) : Run::live()) : [],
        );
    }
}
