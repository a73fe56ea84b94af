<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\AskedFilters;
use App\Planning\NetworkReader;
use App\Reading\DemandView;
use App\Reading\Explanations;
use App\Reading\ForecastView;
use App\Reading\NewSalesLine;
use App\Reading\Pages\DemandPage;
use App\Reading\SavedViews;
use App\Reading\Shapes\ForecastRows;
use App\Reading\Shapes\SalesRows;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Response;
use Yposta\Core\Network\BucketSize;

final class DemandController extends Controller
{
    public function index(Request $request, NetworkReader $reader): Response
    {
        $site = $this->site($request);
        $asked = AskedFilters::sales($request, $site);
        $names = ForecastView::names();
        $forecast = in_array($request->query('forecast'), $names, true) ? (string) $request->query('forecast') : ($names[0] ?? '');
        $showForecast = $request->query('view') === 'forecast';
        $size = is_string($request->query('size')) ? BucketSize::tryFrom($request->query('size')) : null;

        $order = $this->order($request, DemandView::SORTED);
        $sales = $showForecast ? new SalesRows([], 0, 0) : (new DemandView($this->plan()))->sales($asked, $order);
        $grid = $showForecast && $forecast !== '' ? new ForecastView($reader, $forecast, $size) : null;
        $rows = $grid?->rows($site, $asked->text) ?? new ForecastRows([], 0);

        return (new DemandPage(
            filter: [
                'view' => $showForecast ? 'forecast' : 'sales', 'q' => $asked->text, 'late' => $asked->late ? '1' : '', 'forecast' => $forecast,
                'size' => $size->value ?? '', 'sort' => (string) $order, 'by' => $asked->by,
            ],
            sales: $sales->rows,
            total: $sales->total,
            late: $sales->late,
            forecasts: $showForecast ? ForecastView::headings() : [],
            periods: $grid?->periods() ?? [],
            bucket: ($grid?->size() ?? BucketSize::Week)->value,
            rows: $rows->rows,
            allRows: $rows->total,
            views: SavedViews::of($this->user($request), 'sales'),
        ))->show();
    }

    /** The sales lines from a place of their list on. */
    public function rows(Request $request): JsonResponse
    {
        return response()->json((new DemandView($this->plan()))->sales(
            AskedFilters::sales($request, $this->site($request)), $this->order($request, DemandView::SORTED), $this->place($request),
        ));
    }

    /** What a new sales line begins with, of a new order or of one that there is. */
    public function start(Request $request): JsonResponse
    {
        return response()->json(NewSalesLine::start($request->string('order')->limit(190, '')->toString()));
    }

    /** What serves a sales line, for the inspector. */
    public function line(Request $request): JsonResponse
    {
        $plan = $this->plan();
        $n = $plan === null ? null : DB::table('plan_demands')->where('run_id', $plan->run->id)->where('kind', 'sales')
            ->where('name', $request->string('order')->toString())->where('line', $request->string('line')->toString())->value('n');
        abort_if($plan === null || ! is_numeric($n), 404, (string) trans('This sales line is not in the live plan.'));

        return response()->json((new Explanations($plan))->demand($plan->demandNumbered((int) $n)));
    }
}
