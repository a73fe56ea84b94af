<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Reading\Explanations;
use App\Reading\GridFigure;
use App\Reading\GridFilter;
use App\Reading\Pages\ItemPage;
use App\Reading\Pages\PlanPage;
use App\Reading\PlanGrid;
use App\Reading\PointView;
use App\Reading\Shapes\CodeAndName;
use App\Reading\Shapes\GridRows;
use App\Reading\StoredPlan;
use App\Reading\StoredPoint;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Response;
use Yposta\Core\Network\BucketSize;

final class PlanController extends Controller
{
    /** Rows that come with the page, and at once when scrolling. */
    private const PAGE = 50;

    public function index(Request $request): Response
    {
        $plan = $this->plan();
        if ($plan === null) {
            return (new PlanPage(
                planned: false,
                periods: [],
                rows: [],
                total: 0,
                inTrouble: 0,
                points: 0,
                suppliers: [],
                filter: $this->shown($request),
            ))->show();
        }
        $filter = $this->filter($request);
        $grid = $this->grid($plan, $request);

        return (new PlanPage(
            planned: true,
            periods: $grid->periods(),
            rows: $grid->rows($filter, 0, self::PAGE),
            total: $grid->count($filter),
            inTrouble: $grid->count(new GridFilter(site: $filter->site, inTrouble: true)),
            points: $grid->count(new GridFilter(site: $filter->site)),
            suppliers: array_values(DB::table('suppliers')->orderBy('name')->get(['code', 'name'])
                ->map(fn ($row) => new CodeAndName($row->code, $row->name))->all()),
            filter: $this->shown($request),
        ))->show();
    }

    public function rows(Request $request): JsonResponse
    {
        $plan = $this->plan();
        abort_if($plan === null, 404);
        $offset = max(0, $request->integer('offset'));

        $grid = $this->grid($plan, $request);

        return response()->json(new GridRows($grid->rows($this->filter($request), $offset, self::PAGE), $plan->run->id));
    }

    /** An item at a site, for the inspector. */
    public function point(Request $request): JsonResponse
    {
        [$plan, $point] = $this->asked($request);

        return response()->json((new PointView($plan, $this->asExpected($request)))->detail($point, $this->size($request)));
    }

    public function item(Request $request): Response
    {
        $plan = $this->plan();
        $item = $request->string('item')->toString();
        abort_unless(DB::table('items')->where('code', $item)->exists(), 404);
        $site = $request->string('at')->toString();
        $sites = $plan === null
            ? []
            : array_values($plan->pointsQuery()->where('p.item_code', $item)->orderBy('p.site_code')->pluck('p.site_code')->map(strval(...))
                ->all());
        $point = $plan?->findPoint($item, in_array($site, $sites, true) ? $site : (string) ($sites[0] ?? ''));

        return (new ItemPage(
            item: $item,
            detail: $plan === null || $point === null
                ? null
                : (new PointView($plan, $this->asExpected($request)))->detail($point, $this->size($request)),
            plannedAt: $sites,
            filter: $this->shown($request),
        ))->show();
    }

    /** Where a balance of the record comes from. */
    public function ask(Request $request): JsonResponse
    {
        [$plan, $point] = $this->asked($request);
        $plan->load([$point->n]);
        $rows = $this->grid($plan, $request)->buckets()->of($point->supplies, $point->demands);
        foreach ($rows as $place => $row) {
            if ($plan->dates->iso($row->start) === $request->string('period')->toString()) {
                return response()->json($this->figure($request) === GridFigure::Balance
                    ? (new Explanations($plan))->balance($point, $rows, $place, $this->asExpected($request))
                    : (new Explanations($plan))->period($point, $row, $this->figure($request)));
            }
        }
        abort(404);
    }

    private function grid(StoredPlan $plan, Request $request): PlanGrid
    {
        return new PlanGrid($plan, $this->size($request), $this->asExpected($request), $this->figure($request));
    }

    private function figure(Request $request): GridFigure
    {
        return GridFigure::tryFrom($request->string('show')->toString()) ?? GridFigure::Balance;
    }

    /** @return array{StoredPlan, StoredPoint} */
    private function asked(Request $request): array
    {
        $plan = $this->plan();
        $point = $plan?->findPoint($request->string('item')->toString(), $request->string('at')->toString());
        abort_if($plan === null || $point === null, 404, (string) trans('This item is not in the live plan.'));

        return [$plan, $point];
    }

    /** The bucket asked for, else the one that the run was made with. */
    private function size(Request $request): BucketSize
    {
        return BucketSize::tryFrom($request->string('bucket')->toString()) ?? BucketSize::tryFrom(
            (string) ($this->plan()->run->parameters['bucket'] ?? ''),
        ) ?? BucketSize::Week;
    }

    private function filter(Request $request): GridFilter
    {
        return new GridFilter(
            $this->site($request), $request->string('supply')->toString(), $request->string('supplier')->toString(),
            $request->boolean('trouble'),
            $request->string('q')->limit(60, '')->toString(), $request->string('sort', 'structure')->toString(),
        );
    }

    /** @return array{q: string, supply: string, supplier: string, trouble: string, sort: string, bucket: value-of<BucketSize>, as: 'expected'|'needed', show: value-of<GridFigure>} the filter as it stands in the URL */
    private function shown(Request $request): array
    {
        return [
            'q' => $request->string('q')->toString(), 'supply' => $request->string('supply')->toString(),
            'supplier' => $request->string('supplier')->toString(),
            'trouble' => $request->boolean('trouble') ? '1' : '', 'sort' => $request->string('sort', 'structure')->toString(),
            'bucket' => $this->size($request)->value,
            'as' => $this->asExpected($request) ? 'expected' : 'needed', 'show' => $this->figure($request)->value,
        ];
    }
}
