<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ConvertProposals;
use App\Actions\PutOffProposals;
use App\Reading\ConversionLine;
use App\Reading\OpenProposals;
use App\Reading\Pages\ProposalsPage;
use App\Reading\PreviewConversion;
use App\Reading\ProposalFilter;
use App\Reading\ProposalGrouping;
use App\Reading\ProposalList;
use App\Reading\SavedViews;
use App\Reading\StartWithin;
use App\Support\Stored;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Response;
use Yposta\Core\Quantity\Quantity;

final class ProposalController extends Controller
{
    private const LINES = [
        'lines' => 'required|array|min:1|max:1000',
        'lines.*.number' => 'required|integer', 'lines.*.qty' => 'nullable|string|max:60', 'lines.*.due' => 'nullable|string|max:20',
        'lines.*.way' => 'nullable|string|max:210',
        'lines.*.rest' => 'nullable|string|max:20',
    ];

    public function index(Request $request): Response
    {
        $plan = $this->plan();
        $by = $this->grouping($request);
        $order = $this->order($request, ProposalList::SORTED);
        $asked = StartWithin::tryFrom($request->string('until')->toString());
        $filter = [
            'by' => $by->value, 'until' => ($asked ?? StartWithin::Week)->value, 'q' => $request->string('q')->limit(60, '')->toString(),
            'open' => $request->string('open')->toString(), 'sort' => (string) $order, 'rest' => $request->boolean('rest') ? '1' : '',
        ];
        $views = SavedViews::of($this->user($request), 'proposals');
        if ($plan === null) {
            return (new ProposalsPage(
                run: null,
                groups: [],
                total: 0,
                shown: 0,
                passed: 0,
                today: 0,
                resting: 0,
                until: null,
                filter: $filter,
                views: $views,
            ))->show();
        }
        $list = new ProposalList($plan);
        $site = $this->site($request);
        $last = fn (StartWithin $within): ?string => $plan->dates->isoOrNull($within->lastDay($plan->planDate));
        $within = fn (StartWithin $within) => new ProposalFilter($site, $last($within), $filter['q'], $filter['rest'] === '1');
        $until = $asked ?? StartWithin::opening(fn (StartWithin $time) => (new OpenProposals($plan, $within($time)))->query()->exists());
        $filter['until'] = $until->value;
        $rows = $list->rows($within($until), $by, $order);

        return (new ProposalsPage(
            run: $plan->run->id,
            groups: $rows->groups,
            total: (new OpenProposals($plan, new ProposalFilter($site)))->count(),
            shown: $rows->total,
            passed: (new OpenProposals($plan, new ProposalFilter($site, $plan->dates->iso($plan->planDate - 1))))->count(),
            today: (new OpenProposals($plan, new ProposalFilter($site, $plan->dates->iso($plan->planDate))))->count($plan->run->plan_date),
            resting: (new OpenProposals($plan, new ProposalFilter($site, resting: true)))->count(),
            until: $last($until),
            filter: $filter,
            views: $views,
        ))->show();
    }

    /** The proposals from a place of their list on. */
    public function rows(Request $request): JsonResponse
    {
        $plan = $this->plan();
        abort_if($plan === null, 404);
        $list = new ProposalList($plan);
        $until = StartWithin::tryFrom($request->string('until')->toString()) ?? StartWithin::All;

        return response()->json($list->rows(
            new ProposalFilter(
                $this->site($request), $plan->dates->isoOrNull($until->lastDay($plan->planDate)),
                $request->string('q')->limit(60, '')->toString(), $request->boolean('rest'),
            ),
            $this->grouping($request), $this->order($request, ProposalList::SORTED), $this->place($request),
        ));
    }

    /** What only has to be ordered within a time. */
    public function ready(Request $request): JsonResponse
    {
        $plan = $this->plan();
        abort_if($plan === null, 404);
        $until = StartWithin::tryFrom($request->string('until')->toString()) ?? StartWithin::Week;

        return response()->json((new ProposalList($plan))->ready(new ProposalFilter(
            $this->site($request), $plan->dates->isoOrNull($until->lastDay($plan->planDate)), $request->string('q')->limit(60, '')->toString(),
        )));
    }

    private function grouping(Request $request): ProposalGrouping
    {
        return ProposalGrouping::tryFrom($request->string('by')->toString()) ?? ProposalGrouping::Supplier;
    }

    public function show(Request $request, int $number): JsonResponse
    {
        $asked = $request->string('qty')->toString();
        $qty = preg_match('/^\d{1,10}(\.\d{1,6})?$/', $asked) === 1 ? max(1, Quantity::parse($asked)) : null;
        $plan = $this->plan();
        abort_if($plan === null, 404);
        $n = DB::table('plan_supplies')->where('run_id', $plan->run->id)->where('kind', 'proposal')->where('name', (string) $number)
            ->value('n');
        abort_unless(is_numeric($n), 404, (string) trans('This proposal is not in the live plan.'));

        return response()->json((new ProposalList($plan))->detail($plan->supplyNumbered((int) $n), $qty));
    }

    public function convert(Request $request, ConvertProposals $convert): JsonResponse
    {
        $given = $request->validate([
            'run' => 'required|integer', 'key' => 'required|string|min:16|max:100', 'sure' => 'boolean', 'agreed' => 'boolean',
            'handOver' => 'boolean', 'note' => 'nullable|string|max:190', ...self::LINES,
        ]);

        return response()->json($convert(
            (int) $given['run'], $this->lines($given), $given['key'], (bool) ($given['sure'] ?? false), (bool) ($given['agreed'] ?? false),
            $this->user($request), ($given['handOver'] ?? false) ? trim((string) ($given['note'] ?? '')) : null,
        ));
    }

    public function putOff(Request $request, PutOffProposals $putOff): JsonResponse
    {
        $given = $request->validate([
            'run' => 'required|integer', 'key' => 'required|string|min:16|max:100', 'numbers' => 'required|array|min:1|max:1000',
            'numbers.*' => 'required|integer', 'until' => 'required|string|max:20', 'reason' => 'present|nullable|string|max:190',
        ]);

        return response()->json($putOff(
            (int) $given['run'], $this->numbers($given['numbers']), $given['until'], trim((string) $given['reason']), $given['key'], $this->user($request),
        ));
    }

    public function takeUp(Request $request, PutOffProposals $putOff): JsonResponse
    {
        $given = $request->validate([
            'run' => 'required|integer', 'key' => 'required|string|min:16|max:100', 'numbers' => 'required|array|min:1|max:1000',
            'numbers.*' => 'required|integer',
        ]);

        return response()->json($putOff->takeUp((int) $given['run'], $this->numbers($given['numbers']), $given['key'], $this->user($request)));
    }

    /**
     * @param  array<mixed>  $given
     * @return list<int>
     */
    private function numbers(array $given): array
    {
        return array_values(array_unique(array_map(Stored::int(...), $given)));
    }

    /** What converting would make, with what was changed so far. */
    public function preview(Request $request): JsonResponse
    {
        $given = $request->validate([
            'run' => 'required|integer', 'picked' => 'present|array|max:1000', 'picked.*' => 'integer',
            'handOver' => 'boolean', ...self::LINES,
        ]);
        $plan = $this->plan();
        abort_if($plan === null || $plan->run->id !== (int) $given['run'], 404, (string) trans('The plan has changed. Reload the list.'));

        return response()->json(
            (new PreviewConversion($plan, (bool) ($given['handOver'] ?? false)))
                ->of($this->lines($given), array_map(intval(...), array_values($given['picked']))),
        );
    }

    /**
     * @param  array{lines: array<array<string, mixed>>}  $given  as the rules for lines let through
     * @return list<ConversionLine>
     */
    private function lines(array $given): array
    {
        return array_map(
            fn (array $line) => new ConversionLine(
                (int) $line['number'], $line['qty'] ?? null, $line['due'] ?? null, $line['way'] ?? null,
                $line['rest'] ?? null,
            ),
            array_values($given['lines']),
        );
    }
}
