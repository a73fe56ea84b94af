<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Order;
use App\Models\OrderLine;
use App\Reading\OrderView;
use App\Reading\Pages\OrderPage;
use App\Reading\Pages\OrdersPage;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;

final class OrderController extends Controller
{
    public function index(Request $request): Response
    {
        $filter = [
            'kind' => in_array($request->query('kind'), ['buy', 'make', 'transfer'], true) ? (string) $request->query('kind') : '',
            'status' => in_array($request->query('status'), ['firm', 'released', 'done', 'cancelled', 'all'], true)
                ? (string) $request->query('status')
                : 'open',
            'q' => $request->string('q')->limit(60, '')->toString(),
            'said' => $request->boolean('said') ? '1' : '',
        ];
        $orders = (new OrderView($this->plan()))->list(
            $filter['kind'], $this->site($request), $filter['status'], $filter['q'], $filter['said'] === '1',
        );

        return (new OrdersPage(orders: $orders, filter: $filter, most: OrderView::MOST))->show();
    }

    public function show(Order $order): Response
    {
        return (new OrderPage(order: (new OrderView($this->plan()))->detail($order)))->show();
    }

    public function detail(Order $order): JsonResponse
    {
        return response()->json((new OrderView($this->plan()))->detail($order));
    }

    /** The plan refers to lines; their order has the page. */
    public function line(Request $request): RedirectResponse
    {
        $line = OrderLine::query()->with('order')->where('code', $request->string('code')->toString())->firstOrFail();

        return redirect('/orders/'.rawurlencode((string) $line->order?->code));
    }
}
