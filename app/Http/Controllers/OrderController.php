<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Documents\LabelSheet;
use App\Documents\OrderSheet;
use App\Documents\OrderVersions;
use App\Documents\Paper;
use App\Documents\PickList;
use App\Documents\PurchasePaper;
use App\Http\AskedFilters;
use App\Http\PaperResponse;
use App\Models\Order;
use App\Models\OrderLine;
use App\Planning\NetworkReader;
use App\Reading\OrderIndex;
use App\Reading\OrderView;
use App\Reading\Pages\OrderPage;
use App\Reading\Pages\OrdersPage;
use App\Reading\SavedViews;
use App\Support\Settings;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Inertia\Response;
use Yposta\Core\Calendar\Day;

final class OrderController extends Controller
{
    public function index(Request $request): Response
    {
        $filter = AskedFilters::orders($request, $this->site($request));
        $order = $this->order($request, OrderIndex::SORTED);
        $list = (new OrderIndex($this->plan()))->list($filter, $order);

        return (new OrdersPage(
            orders: $list->rows,
            total: $list->total,
            late: $list->late,
            filter: [
                'kind' => $filter->kind, 'status' => $filter->status, 'q' => $filter->text, 'said' => $filter->withMessage ? '1' : '',
                'late' => $filter->late ? '1' : '', 'by' => $filter->by, 'sort' => (string) $order,
            ],
            views: SavedViews::of($this->user($request), 'orders'),
        ))->show();
    }

    /** The orders from a place of their list on. */
    public function rows(Request $request): JsonResponse
    {
        return response()->json((new OrderIndex($this->plan()))->list(
            AskedFilters::orders($request, $this->site($request)), $this->order($request, OrderIndex::SORTED), $this->place($request),
        ));
    }

    public function show(Order $order): Response
    {
        return (new OrderPage(order: (new OrderView($this->plan()))->detail($order)))->show();
    }

    /** The order as its supplier gets it on paper. */
    public function paper(Request $request, Order $order): PlainResponse
    {
        [$paper, $version] = $this->version($request, $order);

        return PaperResponse::of(OrderVersions::pdf($paper, $version), "{$order->code}.pdf");
    }

    /** What is to be taken from stock for a production order, on paper. */
    public function pick(Order $order, NetworkReader $reader): PlainResponse
    {
        $values = ['lists' => PickList::of($order, $reader), 'planDate' => Day::parse(Settings::planDate())];

        return PaperResponse::of(Paper::of('pick', $values), "{$order->code}-pick.pdf");
    }

    /** What goes with a production order through the shop, on paper. */
    public function sheet(Order $order, NetworkReader $reader): PlainResponse
    {
        $values = ['sheets' => OrderSheet::of($order, $reader), 'planDate' => Day::parse(Settings::planDate())];

        return PaperResponse::of(Paper::of('sheet', $values, 'landscape'), "{$order->code}-sheet.pdf");
    }

    /** Labels of its material, on paper. */
    public function labels(Order $order, NetworkReader $reader): PlainResponse
    {
        return PaperResponse::of(Paper::of('labels', ['labels' => LabelSheet::of($order, $reader), 'code' => $order->code]), "{$order->code}-labels.pdf");
    }

    /** The order as its supplier's programs read it. */
    public function ubl(Request $request, Order $order): PlainResponse
    {
        [$paper, $version] = $this->version($request, $order);

        return PaperResponse::of(OrderVersions::ubl($paper, $version), "{$order->code}.xml", 'application/xml');
    }

    /**
     * As it is, or as its supplier was told in a version.
     *
     * @return array{PurchasePaper, int}
     */
    private function version(Request $request, Order $order): array
    {
        $number = $request->integer('version');
        $paper = $number === 0 ? PurchasePaper::of($order) : OrderVersions::paper($order->id, $number);
        abort_if($paper === null, 404);

        return [$paper, $number === 0 ? OrderVersions::next($order) : $number];
    }

    public function detail(Order $order): JsonResponse
    {
        return response()->json((new OrderView($this->plan()))->detail($order));
    }

    /** What was an order of its own may be a line of another now, as a request is that was ordered. */
    public static function ofLine(Request $request): RedirectResponse
    {
        $code = $request->route('order');
        abort_unless(is_string($code) && OrderLine::query()->where('code', $code)->exists(), 404);

        return redirect('/orders/line?'.http_build_query(['code' => $code]));
    }

    /** The plan refers to lines; their order has the page. */
    public function line(Request $request): RedirectResponse
    {
        $line = OrderLine::query()->with('order')->where('code', $request->string('code')->toString())->firstOrFail();

        return redirect('/orders/'.rawurlencode((string) $line->order?->code));
    }
}
