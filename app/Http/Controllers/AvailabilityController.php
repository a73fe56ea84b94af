<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Draft;
use App\Planning\DraftLines;
use App\Planning\Read\SubjectSearch;
use App\Planning\Trials\AvailabilityView;
use App\Planning\Trials\Desk;
use App\Support\Settings;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Trial\Trial;

/** Can it be complete on that day, and through what? */
final class AvailabilityController extends Controller
{
    public function index(Request $request): Response
    {
        return Inertia::render('Availability', ['subject' => $request->string('of')->limit(190, '')->toString(), 'qty' => $request->string('qty')->limit(30, '')->toString(), 'due' => $request->string('due')->limit(10, '')->toString()]);
    }

    public function subjects(Request $request): JsonResponse
    {
        return response()->json(SubjectSearch::find($request->string('q')->limit(60, '')->toString()));
    }

    public function answer(Request $request, Desk $desk): JsonResponse
    {
        [$subject, $qty, $due] = $this->question($request);

        return response()->json($this->asked($request, $desk, fn (Trial $trial) => $this->view($trial, $subject)->answer($qty, $due)));
    }

    public function earliest(Request $request, Desk $desk): JsonResponse
    {
        [$subject, $qty] = $this->question($request);

        return response()->json(['day' => $this->asked($request, $desk, fn (Trial $trial) => $this->view($trial, $subject)->earliest($qty))]);
    }

    public function possible(Request $request, Desk $desk): JsonResponse
    {
        [$subject, , $due] = $this->question($request);

        return response()->json($this->asked($request, $desk, fn (Trial $trial) => $this->view($trial, $subject)->possible($due ?? Day::parse(Settings::planDate()))));
    }

    public function gross(Request $request, Desk $desk): JsonResponse
    {
        [$subject, $qty, $due] = $this->question($request);

        return response()->json(['rows' => $this->asked($request, $desk, fn (Trial $trial) => $this->view($trial, $subject)->gross($qty, $due))]);
    }

    /** @return array{string, string|null, int|null} what is asked for, a decimal, a day number */
    private function question(Request $request): array
    {
        $given = $request->validate(['of' => 'required|string|max:190', 'qty' => ['nullable', 'regex:/^\d{1,9}(\.\d{1,6})?$/'], 'due' => 'nullable|date_format:Y-m-d']);

        return [$given['of'], $given['qty'] ?? null, isset($given['due']) ? max(Day::parse($given['due']), Day::parse(Settings::planDate())) : null];
    }

    private function view(Trial $trial, string $subject): AvailabilityView
    {
        return new AvailabilityView($trial, $subject, Day::parse(Settings::planDate()));
    }

    /**
     * @template T
     *
     * @param  callable(Trial): T  $do
     * @return T
     */
    private function asked(Request $request, Desk $desk, callable $do): mixed
    {
        return $desk->drafted(DraftLines::of(Draft::of($this->user($request))), $do);
    }
}
