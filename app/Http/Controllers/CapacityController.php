<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\AskedFilters;
use App\Http\ShownPlan;
use App\Http\ToldResponse;
use App\Models\Run;
use App\Reading\Pages\CapacityPage;
use App\Reading\SavedViews;
use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/**
 * How full work centres are, and with what. All of it is planned with the person's draft, or is that of the study that
 * is looked at.
 */
final class CapacityController extends Controller
{
    public function index(Request $request): Response
    {
        return (new CapacityPage(
            filter: AskedFilters::loadShown($request),
            planned: Run::live() !== null,
            views: SavedViews::of($this->user($request), 'capacity'),
        ))->show();
    }

    public function load(Request $request, PlanClient $plans): JsonResponse
    {
        return response()->json($plans->ask(
            PlanQuestion::Load,
            ...$this->ground($request),
            filter: get_object_vars(AskedFilters::load($request, $this->site($request))),
        ));
    }

    /** What fills a centre in a period. */
    public function cell(Request $request, PlanClient $plans): JsonResponse
    {
        $given = $request->validate(['centre' => 'required|string|max:190', 'day' => 'required|date_format:Y-m-d']);

        return response()->json($plans->ask(
            PlanQuestion::LoadCell,
            ...$this->ground($request),
            centre: $given['centre'],
            day: $given['day'],
            bucket: AskedFilters::loadShown($request)['bucket'],
        ));
    }

    /** What would make a centre less full in a period, one line of JSON for each, as they are found. */
    public function reliefs(Request $request, PlanClient $plans): StreamedResponse
    {
        $given = $request->validate(['centre' => 'required|string|max:190', 'day' => 'required|date_format:Y-m-d']);
        $lines = $this->draftLines($request);
        $bucket = AskedFilters::loadShown($request)['bucket'];

        return ToldResponse::of(fn (callable $tell) => $plans->askTelling(
            PlanQuestion::Reliefs, $tell, lines: $lines, centre: $given['centre'], day: $given['day'], bucket: $bucket,
        ));
    }

    /** @return array{lines: list<array<string, mixed>>, parameters: array<string, mixed>} the study that is looked at, else the person's draft */
    private function ground(Request $request): array
    {
        $study = ShownPlan::study($request);

        return $study === null
            ? ['lines' => $this->draftLines($request), 'parameters' => []]
            : ['lines' => [['changes' => $study->changes]], 'parameters' => $study->parameters];
    }
}
