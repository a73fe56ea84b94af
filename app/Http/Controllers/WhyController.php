<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use App\Trials\Views\WhyView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** Why a figure of the live plan is another than in the plan before. */
final class WhyController extends Controller
{
    /** Why one line is late by other days. */
    public function line(Request $request, PlanClient $plans): JsonResponse
    {
        return response()->json($plans->ask(PlanQuestion::WhyLine, line: $request->string('of')->limit(400, '')->toString()));
    }

    /** Why another quantity is proposed up to the day of a proposal. */
    public function proposal(Request $request, PlanClient $plans): JsonResponse
    {
        return response()->json($plans->ask(PlanQuestion::WhyProposal, number: $request->integer('number')));
    }

    /** What was written between the two, with what each change did. */
    public function all(PlanClient $plans): JsonResponse
    {
        return response()->json($plans->ask(PlanQuestion::WhyAll));
    }

    public function __invoke(Request $request, PlanClient $plans): JsonResponse
    {
        $figure = (string) $request->validate(['figure' => ['required', 'string', Rule::in(WhyView::FIGURES)]])['figure'];

        return response()->json($plans->ask(PlanQuestion::Why, figure: $figure));
    }
}
