<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ChangeHoldings;
use App\Models\Run;
use App\Reading\Pages\ReservationsPage;
use App\Reading\SavedViews;
use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use App\Trials\ReservationFilter;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Response;
use Yposta\Core\Quantity\Quantity;

/** Which supply is held for which order. */
final class ReservationController extends Controller
{
    public function index(Request $request, PlanClient $plans): Response
    {
        $filter = [
            'view' => $request->query('view') === 'held' ? 'held' : 'orders',
            'status' => in_array($request->query('status'), ['complete', 'partly', 'none'], true) ? (string) $request->query('status') : '',
            'q' => $request->string('q')->limit(60, '')->toString(), 'there' => $request->query('there') === '1' ? '1' : '',
        ];
        $list = Run::live() === null ? [] : $plans->ask(
            PlanQuestion::Reservations,
            site: $this->site($request),
            held: $filter['view'] === 'held',
            status: $filter['status'],
            there: $filter['there'] === '1',
            q: $filter['q'],
        );

        return (new ReservationsPage(
            filter: $filter,
            orders: $list['rows'] ?? [],
            held: $list['held'] ?? [],
            matching: $list['matching'] ?? 0,
            allOrders: $list['orders'] ?? 0,
            allHolds: $list['holds'] ?? 0,
            views: SavedViews::of($this->user($request), 'reservations'),
        ))->show();
    }

    public function hold(Request $request, ChangeHoldings $holdings): JsonResponse
    {
        $given = $request->validate($this->rules(['qty' => ['required', 'regex:/^\d{1,9}(\.\d{1,6})?$/']]));

        return response()->json($holdings->hold(
            $given['demand'], $given['supply'], Quantity::parse($given['qty']), $given['key'], $this->user($request),
        ));
    }

    public function free(Request $request, ChangeHoldings $holdings): JsonResponse
    {
        $given = $request->validate($this->rules([]));

        return response()->json($holdings->free($given['demand'], $given['supply'], $given['key'], $this->user($request)));
    }

    public function give(Request $request, ChangeHoldings $holdings): JsonResponse
    {
        $given = $request->validate($this->rules([
            'qty' => ['required', 'regex:/^\d{1,9}(\.\d{1,6})?$/'],
            'other' => 'required|string|max:190',
        ]));

        return response()->json($holdings->give(
            $given['demand'], $given['supply'], $given['other'], Quantity::parse($given['qty']), $given['key'],
            $this->user($request),
        ));
    }

    public function holdFor(Request $request, ChangeHoldings $holdings): JsonResponse
    {
        $given = $request->validate([
            'references' => 'required|array|min:1|max:'.ReservationFilter::ROWS,
            'references.*' => 'string|max:190',
            'key' => 'required|string|min:16|max:64',
        ]);

        return response()->json($holdings->holdFor(array_values($given['references']), $given['key'], $this->user($request)));
    }

    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private function rules(array $more): array
    {
        return [
            'demand' => 'required|string|max:190', 'supply' => 'required|string|max:190',
            'key' => 'required|string|min:16|max:64', ...$more,
        ];
    }
}
