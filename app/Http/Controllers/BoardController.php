<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\ToldResponse;
use App\Models\AskedSchedule;
use App\Models\Run;
use App\Reading\Pages\BoardPage;
use App\Support\Roles;
use App\Trials\LivePlan;
use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What runs when on which unit, planned with the person's draft. */
final class BoardController extends Controller
{
    private const MOST_DAYS = 120;

    private const HORIZON = 3000;

    /** Operations that are moved at once. */
    private const MOST_MOVES = 200;

    public function index(Request $request): Response
    {
        return (new BoardPage(
            planned: Run::live() !== null,
            of: $request->string('of')->limit(190, '')->toString(),
            may: $this->user($request)->can([Roles::MAKE, Roles::STUDY]),
        ))->show();
    }

    public function bars(Request $request, PlanClient $plans): JsonResponse
    {
        $kept = AskedSchedule::query()->where('status', 'kept')->latest('id')->first();

        return response()->json($plans->ask(
            PlanQuestion::Board,
            lines: $this->draftLines($request),
            filter: [
                'from' => max(-self::HORIZON, min(self::HORIZON, $request->integer('from'))),
                'days' => max(1, min(self::MOST_DAYS, $request->integer('days', 56))),
                'site' => $this->site($request),
            ],
            frozenDays: $kept === null ? null : (int) ($kept->options['frozenDays'] ?? 0),
        ));
    }

    public function pick(Request $request, PlanClient $plans): JsonResponse
    {
        $given = $request->validate(['of' => 'required|string|max:600']);

        return response()->json($plans->ask(PlanQuestion::BoardPick, lines: $this->draftLines($request), of: $given['of']));
    }

    /** What would make an order or proposal be there sooner, one line of JSON for each, as they are found. */
    public function ways(Request $request, PlanClient $plans): StreamedResponse
    {
        $given = $request->validate(['of' => 'required|string|max:600']);
        $lines = $this->draftLines($request);

        return ToldResponse::of(fn (callable $tell) => $plans->askTelling(PlanQuestion::BoardWays, $tell, lines: $lines, of: $given['of']));
    }

    /** What comes of putting operations somewhere; writes nothing. */
    public function tryPlaces(Request $request, PlanClient $plans): JsonResponse
    {
        $given = $request->validate([
            'moves' => 'required|array|min:1|max:'.self::MOST_MOVES, 'moves.*.of' => 'required|string|max:600',
            'moves.*.op' => 'required|integer|between:0,1000000', 'moves.*.centre' => 'required|string|max:190',
            'moves.*.units' => 'required|array|min:1|max:100', 'moves.*.units.*' => 'integer|between:1,9999',
            'moves.*.start' => 'required|integer|between:-5000000,5000000', 'way' => 'required|in:push,swap,overlap',
        ]);

        return response()->json($plans->ask(
            PlanQuestion::BoardPlace,
            lines: $this->draftLines($request),
            moves: array_values(array_map(fn (array $move) => [
                'of' => $move['of'], 'op' => (int) $move['op'], 'centre' => $move['centre'],
                'units' => array_values(array_unique(array_map(intval(...), $move['units']))), 'start' => (int) $move['start'],
            ], $given['moves'])),
            way: $given['way'],
        ));
    }

    /** Whether what the board shows has been changed by somebody. */
    public function look(LivePlan $plan): JsonResponse
    {
        $plan->look();

        return response()->json(['stamp' => $plan->stamp()]);
    }
}
