<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Intake\TypedAmount;
use App\Planning\NetworkReader;
use App\Reading\CostView;
use App\Reading\Pages\CostsPage;
use App\Support\Refused;
use App\Support\Settings;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** What items cost in material, and what another cost of one would do to the margins of all. */
final class CostController extends Controller
{
    public function index(Request $request, NetworkReader $reader): Response
    {
        $trouble = null;
        try {
            $view = $this->view($request, $reader);
        } catch (Refused $refused) {
            [$view, $trouble] = [new CostView($reader), $refused->sentence()];
        }
        $order = $this->order($request, CostView::SORTED);
        $all = $request->query('show') === 'all';
        $text = $request->string('q')->limit(60, '')->toString();
        $rows = $view->rows($text, $all, $order);
        $trial = $view->trial();

        return (new CostsPage(
            filter: [
                'q' => $text, 'show' => $all ? 'all' : '', 'sort' => (string) $order, 'item' => $request->string('item')->limit(190, '')->toString(),
                'to' => $request->string('to')->limit(30, '')->toString(),
            ],
            rows: $rows->rows,
            total: $rows->total,
            trial: $trial,
            currency: Settings::currency(),
            refusal: $trouble,
        ))->show();
    }

    /** The costs from a place of their list on. */
    public function rows(Request $request, NetworkReader $reader): JsonResponse
    {
        return response()->json($this->view($request, $reader)->rows(
            $request->string('q')->limit(60, '')->toString(), $request->query('show') === 'all', $this->order($request, CostView::SORTED),
            $this->place($request),
        ));
    }

    /** What one item is made of, the dearest first. */
    public function parts(Request $request, NetworkReader $reader): JsonResponse
    {
        return response()->json($this->view($request, $reader)->parts($request->string('of')->limit(190, '')->toString()));
    }

    /** @throws Refused */
    private function view(Request $request, NetworkReader $reader): CostView
    {
        $item = $request->string('item')->limit(190, '')->toString();
        $to = $request->string('to')->trim()->limit(30, '')->toString();

        return new CostView($reader, $item, $item === '' || $to === '' ? null : TypedAmount::read($to));
    }
}
