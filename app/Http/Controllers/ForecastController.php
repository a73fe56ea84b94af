<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ChangeForecast;
use App\Actions\CopyForecast;
use App\Actions\KeepForecast;
use App\Intake\TypedFigure;
use App\Models\User;
use App\Planning\NetworkReader;
use App\Reading\ForecastView;
use App\Support\Refused;
use App\Support\Roles;
use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Yposta\Core\Network\BucketSize;

/** Forecasts: their figures as a grid, what they are called and are for, and how far they were from what was ordered. */
final class ForecastController extends Controller
{
    /** The items of a forecast from a place of their list on, or some of them. */
    public function rows(Request $request, NetworkReader $reader): JsonResponse
    {
        $view = new ForecastView($reader, $request->string('forecast')->limit(190, '')->toString(), $this->size($request));
        $points = $this->points(explode("\n", $request->string('points')->limit(20_000, '')->toString()));

        return response()->json($points !== [] ? $view->rowsOf($points) : $view->rows(
            $this->site($request), $request->string('q')->limit(60, '')->toString(), $this->place($request),
            max(1, $request->integer('rows', ForecastView::ROWS)),
        ));
    }

    /** Writes figures into its cells, typed or pasted, all or none. */
    public function change(Request $request, ChangeForecast $change): JsonResponse
    {
        $by = $this->mayForecast($request);
        $given = $request->validate([
            'forecast' => 'required|string|max:190', 'bucket' => ['nullable', Rule::enum(BucketSize::class)], 'decimal' => 'nullable|in:point,comma',
            'sure' => 'boolean', 'key' => 'required|string|min:16|max:64', 'rows' => 'required|array',
        ]);
        $figures = TypedFigure::read($given['rows']) ?? throw Refused::because('forecast.unread', ['most' => TypedFigure::MOST], 'figures');

        return response()->json($change(
            $given['forecast'], $figures, BucketSize::tryFrom((string) ($given['bucket'] ?? '')), $given['decimal'] ?? null,
            ($given['sure'] ?? false) === true, $given['key'], $by,
        ));
    }

    /** Fills it with figures from elsewhere. */
    public function copy(Request $request, CopyForecast $copy): JsonResponse
    {
        $by = $this->mayForecast($request);
        $given = $request->validate([
            'forecast' => 'required|string|max:190', 'source' => ['required', Rule::in(CopyForecast::SOURCES)],
            'from' => 'required_if:source,forecast|nullable|string|max:190', 'points' => 'nullable|array|max:10000',
            'percent' => 'required|integer|min:1|max:1000', 'sure' => 'boolean', 'key' => 'required|string|min:16|max:64',
        ]);

        return response()->json($copy(
            $given['forecast'], $given['source'], (string) ($given['from'] ?? ''), $this->points($given['points'] ?? null), (int) $given['percent'],
            ($given['sure'] ?? false) === true, $given['key'], $by,
        ));
    }

    /** Names it, and says what it is for and when. */
    public function keep(Request $request, KeepForecast $keep): JsonResponse
    {
        $by = $this->mayForecast($request);
        $given = $request->validate([
            'code' => 'required|string|max:60', 'purpose' => 'nullable|string|max:190', 'begins' => 'nullable|date_format:Y-m-d',
            'ends' => 'nullable|date_format:Y-m-d|after_or_equal:begins', 'new' => 'required|boolean', 'key' => 'required|string|min:16|max:64',
        ]);

        return response()->json($keep->keep(
            $given['code'], (string) ($given['purpose'] ?? ''), $given['begins'] ?? null, $given['ends'] ?? null, $given['new'] === true,
            $given['key'], $by,
        ));
    }

    /** Takes it away with all its figures. */
    public function takeAway(Request $request, KeepForecast $keep): JsonResponse
    {
        $by = $this->mayForecast($request);
        $given = $request->validate(['forecast' => 'required|string|max:190', 'key' => 'required|string|min:16|max:64']);

        return response()->json($keep->takeAway($given['forecast'], $given['key'], $by));
    }

    /** One item of it over time: forecast, ordered, left, the balance by now, and how far it was off. */
    public function outlook(Request $request, PlanClient $plans): JsonResponse
    {
        return response()->json($plans->ask(
            PlanQuestion::Outlook, forecast: $request->string('forecast')->limit(190, '')->toString(),
            item: $request->string('item')->limit(190, '')->toString(), site: $request->string('at')->limit(190, '')->toString(),
            size: $this->size($request)?->value,
        ));
    }

    private function mayForecast(Request $request): User
    {
        $by = $this->user($request);
        abort_unless($by->can(Roles::FORECAST), 403);

        return $by;
    }

    private function size(Request $request): ?BucketSize
    {
        $size = $request->query('size');

        return is_string($size) ? BucketSize::tryFrom($size) : null;
    }

    /** @return list<array{string, string}> item and site */
    private function points(mixed $given): array
    {
        $points = [];
        foreach (is_array($given) ? $given : [] as $point) {
            [$item, $site] = is_string($point) ? explode("\x1f", $point, 2) + ['', ''] : ['', ''];
            $item !== '' && $points[] = [$item, $site];
        }

        return $points;
    }
}
