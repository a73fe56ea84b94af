<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\StartRun;
use App\Jobs\DeadRuns;
use App\Models\Run;
use App\Planning\RunParameters;
use App\Reading\Figures;
use App\Reading\Shapes\RunStage;
use App\Reading\Shapes\RunState;
use App\Reading\Shapes\RunStatus;
use App\Support\Roles;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class RunController extends Controller
{
    public function store(Request $request, StartRun $start): JsonResponse
    {
        abort_unless($this->user($request)->can(Roles::RUN), 403);
        $given = $request->validate([
            'horizonEnd' => 'nullable|date_format:Y-m-d', 'bucket' => 'nullable|in:day,week,month', 'forecasts' => 'nullable|array',
            'forecasts.*' => 'string|max:190',
            'sites' => 'nullable|array', 'sites.*' => 'string|max:190', 'soldOnly' => 'nullable|boolean',
            'schedule' => 'nullable|boolean', 'scheduleDays' => 'nullable|integer|min:0|max:'.RunParameters::MOST_DAYS, 'agreed' => 'boolean',
        ]);
        $agreed = ($given['agreed'] ?? false) === true;

        return response()->json($this->state($start(array_diff_key($given, ['agreed' => 1]), $this->user($request), null, $agreed)));
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
