<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Reading\Pages\CompletePage;
use App\Reading\SubjectSearch;
use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** Can it be complete on that day, and through what? */
final class AvailabilityController extends Controller
{
    public function index(Request $request): Response
    {
        return (new CompletePage(
            subject: $request->string('of')->limit(190, '')->toString(),
            qty: $request->string('qty')->limit(30, '')->toString(),
            due: $request->string('due')->limit(10, '')->toString(),
        ))->show();
    }

    /** Addresses that were sent to somebody before the page was called otherwise. */
    public function moved(Request $request): RedirectResponse
    {
        return redirect('/complete'.($request->getQueryString() === null ? '' : "?{$request->getQueryString()}"));
    }

    public function subjects(Request $request): JsonResponse
    {
        return response()->json(SubjectSearch::find(
            $request->string('q')->limit(60, '')->toString(), $request->boolean('items'),
        ));
    }

    public function answer(Request $request, PlanClient $plans): JsonResponse
    {
        return response()->json($plans->ask(PlanQuestion::Availability, ...$this->question($request)));
    }

    public function earliest(Request $request, PlanClient $plans): JsonResponse
    {
        return response()->json($plans->ask(PlanQuestion::Earliest, ...array_diff_key($this->question($request), ['due' => null])));
    }

    public function possible(Request $request, PlanClient $plans): JsonResponse
    {
        return response()->json($plans->ask(PlanQuestion::Possible, ...array_diff_key($this->question($request), ['qty' => null])));
    }

    public function parts(Request $request, PlanClient $plans): JsonResponse
    {
        return response()->json($plans->ask(PlanQuestion::Parts, ...$this->question($request)));
    }

    /** @return array{lines: list<array<string, mixed>>, subject: string, qty: string|null, due: string|null} */
    private function question(Request $request): array
    {
        $given = $request->validate([
            'of' => 'required|string|max:190',
            'qty' => ['nullable', 'regex:/^\d{1,9}(\.\d{1,6})?$/'],
            'due' => 'nullable|date_format:Y-m-d',
        ]);

        return [
            'lines' => $this->draftLines($request), 'subject' => $given['of'], 'qty' => $given['qty'] ?? null,
            'due' => $given['due'] ?? null,
        ];
    }
}
