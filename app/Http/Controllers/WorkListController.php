<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ReportDone;
use App\Documents\Paper;
use App\Http\PaperResponse;
use App\Models\Run;
use App\Reading\Pages\WorkListPage;
use App\Reading\Shapes\WorkList;
use App\Reading\Shapes\WorkRow;
use App\Reading\WorkRemarks;
use App\Support\Settings;
use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Illuminate\Support\Facades\DB;
use Inertia\Response;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\Quantity;

/** What runs next at each work centre, for a screen at the machine and on paper; and what was done of it. */
final class WorkListController extends Controller
{
    private const ROWS = 60;

    /** Operations on paper. */
    private const PRINTED = 40;

    private const QUANTITY = '/^\d{1,9}(\.\d{1,6})?$/';

    public function index(Request $request): Response
    {
        $centres = $this->centres($request);
        $centre = $request->string('centre')->limit(190, '')->toString();
        $centre = in_array($centre, array_column($centres, 'code'), true) ? $centre : ($centres[0]['code'] ?? '');

        return (new WorkListPage(centres: $centres, centre: $centre, planned: Run::live() !== null))->show();
    }

    /** The list itself, planned with the person's draft. */
    public function rows(Request $request, PlanClient $plans): JsonResponse
    {
        $centre = $request->validate(['centre' => 'required|string|max:190'])['centre'];

        return response()->json($this->read($request, $plans, $centre, self::ROWS));
    }

    /** The list on paper. */
    public function pdf(Request $request, PlanClient $plans): PlainResponse
    {
        $centre = $request->validate(['centre' => 'required|string|max:190'])['centre'];
        $list = $this->read($request, $plans, $centre, self::PRINTED);

        return PaperResponse::of(
            Paper::of('worklist', ['list' => $list, 'planDate' => Day::parse(Settings::planDate())], 'landscape'), "work-list-{$centre}.pdf",
        );
    }

    public function report(Request $request, ReportDone $report): JsonResponse
    {
        $given = $request->validate([
            'order' => 'required|string|max:190', 'op' => 'required|integer|between:0,1000000',
            'done' => ['required', 'string', 'regex:'.self::QUANTITY], 'scrap' => ['required', 'string', 'regex:'.self::QUANTITY],
            'reason' => 'present|nullable|string|max:120', 'minutes' => 'present|nullable|integer|between:0,100000',
            'note' => 'present|nullable|string|max:190', 'key' => 'required|string|min:16|max:64',
        ]);

        return response()->json($report(
            order: $given['order'], op: (int) $given['op'], done: Quantity::parse($given['done']), scrap: Quantity::parse($given['scrap']),
            reason: trim((string) $given['reason']), minutes: $given['minutes'] === null ? null : (int) $given['minutes'],
            note: trim((string) $given['note']), key: $given['key'], by: $this->user($request),
        ));
    }

    /** @return list<array{code: string, name: string, site: string}> */
    private function centres(Request $request): array
    {
        $site = $this->site($request);

        return array_values(DB::table('work_centres')->when($site !== '', fn ($query) => $query->where('site_code', $site))->orderBy('code')
            ->get(['code', 'name', 'site_code'])->map(fn ($row) => ['code' => $row->code, 'name' => $row->name, 'site' => $row->site_code])->all());
    }

    private function read(Request $request, PlanClient $plans, string $centre, int $rows): WorkList
    {
        $answer = $plans->ask(
            PlanQuestion::WorkList, lines: $this->draftLines($request), centre: $centre, rows: $rows, remarks: WorkRemarks::all(),
        );

        return new WorkList(...[...$answer, 'rows' => array_values(array_map(
            fn (array|WorkRow $row) => $row instanceof WorkRow ? $row : new WorkRow(...$row), (array) $answer['rows'],
        ))]);
    }
}
