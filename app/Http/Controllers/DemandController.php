<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ChangeForecast;
use App\Http\AskedFilters;
use App\Planning\NetworkReader;
use App\Reading\DemandView;
use App\Reading\Explanations;
use App\Reading\NewSalesLine;
use App\Reading\Pages\DemandPage;
use App\Reading\SavedViews;
use App\Reading\Shapes\ForecastRows;
use App\Reading\Shapes\SalesRows;
use App\Support\Roles;
use App\Support\Settings;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Response;

final class DemandController extends Controller
{
    public function index(Request $request, NetworkReader $reader): Response
    {
        $view = new DemandView($this->plan(), $reader);
        $site = $this->site($request);
        $asked = AskedFilters::sales($request, $site);
        $text = $asked->text;
        $names = $view->forecastNames();
        $forecast = in_array($request->query('forecast'), $names, true) ? (string) $request->query('forecast') : ($names[0] ?? '');
        $showForecast = $request->query('view') === 'forecast';

        $order = $this->order($request, DemandView::SORTED);
        $sales = $showForecast ? new SalesRows([], 0, 0) : $view->sales($asked, $order);
        $grid = $showForecast && $forecast !== '' ? $view->forecast($forecast, $site, $text) : new ForecastRows([], 0);

        return (new DemandPage(
            filter: [
                'view' => $showForecast ? 'forecast' : 'sales', 'q' => $text, 'late' => $asked->late ? '1' : '', 'forecast' => $forecast,
                'sort' => (string) $order, 'by' => $asked->by,
            ],
            sales: $sales->rows,
            total: $sales->total,
            late: $sales->late,
            forecasts: $names,
            rows: $grid->rows,
            allRows: $grid->total,
            counted: in_array($forecast, (array) (Settings::get(Settings::RUN_DEFAULTS, [])['forecasts'] ?? []), true),
            views: SavedViews::of($this->user($request), 'sales'),
        ))->show();
    }

    /** The sales lines from a place of their list on. */
    public function rows(Request $request, NetworkReader $reader): JsonResponse
    {
        return response()->json((new DemandView($this->plan(), $reader))->sales(
            AskedFilters::sales($request, $this->site($request)), $this->order($request, DemandView::SORTED), $this->place($request),
        ));
    }

    /** The items of a forecast from a place of their list on. */
    public function forecast(Request $request, NetworkReader $reader): JsonResponse
    {
        return response()->json((new DemandView($this->plan(), $reader))->forecast(
            $request->string('forecast')->toString(), $this->site($request), $request->string('q')->limit(60, '')->toString(),
            $this->place($request),
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

    public function change(Request $request, ChangeForecast $change): JsonResponse
    {
        abort_unless($this->user($request)->can(Roles::FORECAST), 403);
        $given = $request->validate([
            'forecast' => 'required|string|max:190', 'item' => 'required|string|max:190', 'site' => 'required|string|max:190',
            'start' => 'required|string|max:20',
            'qty' => 'present|nullable|string|max:60', 'version' => 'required|integer|min:0', 'sure' => 'boolean',
        ]);
        $cell = $change(
            $given['forecast'], $given['item'], $given['site'], $given['start'], (string) $given['qty'], (int) $given['version'],
            $this->user($request), ($given['sure'] ?? false) === true,
        );

        return response()->json(['version' => $cell->version]);
    }
}
