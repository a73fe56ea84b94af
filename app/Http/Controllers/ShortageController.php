<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AcceptShortage;
use App\Http\AskedFilters;
use App\Http\ToldResponse;
use App\Models\Run;
use App\Reading\Pages\ShortagesPage;
use App\Reading\SavedViews;
use App\Support\Roles;
use App\Support\Settings;
use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What will not be covered in time, and what could be done about it. All of it is planned with the person's draft. */
final class ShortageController extends Controller
{
    public function index(Request $request): Response
    {
        $filter = AskedFilters::shortagesShown($request);

        return (new ShortagesPage(
            filter: $filter,
            planned: Run::live() !== null,
            open: $request->string('open')->toString(),
            views: SavedViews::of($this->user($request), 'shortages'),
        ))->show();
    }

    public function rows(Request $request, PlanClient $plans): JsonResponse
    {
        return response()->json($plans->ask(
            PlanQuestion::Shortages,
            lines: $this->draftLines($request),
            filter: get_object_vars(AskedFilters::shortages($request, $this->site($request))),
        ));
    }

    /** The remedies of a shortage, one line of JSON for each, as they are found. */
    public function remedies(Request $request, PlanClient $plans): StreamedResponse
    {
        $given = $request->validate(['identity' => 'required|string|max:190', 'item' => 'required|string|max:190']);
        $lines = $this->draftLines($request);

        return ToldResponse::of(fn (callable $tell) => $plans->askTelling(
            PlanQuestion::Remedies, $tell, lines: $lines, identity: $given['identity'], item: $given['item'],
        ));
    }

    public function accept(Request $request, AcceptShortage $accept): JsonResponse
    {
        $given = $request->validate(['identity' => 'required|string|max:190', 'reason' => 'present|nullable|string|max:190']);
        $accept($given['identity'], (string) $given['reason'], $this->user($request));

        return response()->json(['accepted' => $given['reason']]);
    }

    /** Whether purchases that are not sent count is a setting of the plan, for everybody. */
    public function countUnsent(Request $request): JsonResponse
    {
        abort_unless($this->user($request)->can(Roles::RUN), 403);
        $counts = $request->validate(['counts' => 'required|boolean'])['counts'] === true;
        Settings::set(Settings::COUNT_UNSENT, $counts);

        return response()->json(['counts' => $counts]);
    }

    /** A set of remedies for a whole list, the best for each in turn. */
    public function resolve(Request $request, PlanClient $plans): JsonResponse
    {
        $given = $request->validate([
            'needs' => 'required|array|min:1|max:200',
            'needs.*.identity' => 'required|string|max:190',
            'needs.*.item' => 'required|string|max:190',
        ]);

        return response()->json($plans->ask(PlanQuestion::Resolve, lines: $this->draftLines($request), needs: array_values($given['needs'])));
    }
}
