<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\NetworkReader;
use App\Planning\PurchaseTables;
use App\Reading\Shapes\LabelledValue;
use App\Reading\Shapes\RequestRow;
use App\Reading\Shapes\RequestRows;
use App\Reading\Shapes\SupplierOffer;
use App\Support\Stored;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\PurchasePrices;
use Yposta\Core\Plan\Summary;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Run\Demand;

/** What purchasing is asked for: what must be ordered first at the top, with whom it is for and who sells it. */
final readonly class RequestList
{
    public const ROWS = 300;

    /** Customers that are named. */
    private const NAMED = 3;

    /** @param  int  $today  day number */
    public function __construct(private ?StoredPlan $plan, private int $today)
    {
    }

    public static function count(): int
    {
        return PurchaseTables::open()->count();
    }

    public function rows(string $site, string $text): RequestRows
    {
        $query = PurchaseTables::open()->join('items as i', 'i.code', '=', 'l.item_code')->leftJoin('suppliers as s', 's.code', '=', 'o.supplier_code')
            ->when($site !== '', fn (Builder $rows) => $rows->where('o.site_code', $site))
            ->when($text !== '', fn (Builder $rows) => TextMatch::in($rows, ['l.code', 'l.item_code', 'i.name', 's.name'], $text));
        $total = (clone $query)->count();
        $rows = $query->orderByRaw('coalesce(l.start, l.due)')->orderBy('l.due')->orderBy('l.code')->limit(self::ROWS)->get([
            'l.*', 'o.site_code', 'o.supplier_code', 's.name as supplier', 's.currency', 'i.name as item_name', 'i.unit', 'i.decimals',
        ]);
        $asked = DB::table('purchase_requests as r')->join('users as u', 'u.id', '=', 'r.user_id')->whereIn('r.line_code', $rows->pluck('code')->all())
            ->orderBy('r.id')->get(['r.line_code', 'r.note', 'r.created_at', 'u.name as by'])->keyBy('line_code');
        $ends = $this->ends($rows);
        $offers = $this->offers($rows);
        $prices = app(NetworkReader::class)->prices(array_values($rows->pluck('item_code')->unique()->map(Stored::text(...))->all()));
        $open = $this->openOrders();

        return new RequestRows(array_values($rows->map(fn (stdClass $row) => $this->row(
            $row, $asked->get($row->code), $ends[$row->code] ?? [],
            $this->priced($offers[$row->item_code] ?? [], $prices, $row),
            $open["{$row->supplier_code}\x1f{$row->site_code}"] ?? [],
        ))->all()), $total);
    }

    /**
     * @param  list<Demand>  $ends
     * @param  list<SupplierOffer>  $offers
     * @param  list<LabelledValue>  $open
     */
    private function row(stdClass $row, ?stdClass $asked, array $ends, array $offers, array $open): RequestRow
    {
        $describe = $this->plan === null ? null : new Describe($this->plan);
        $links = $describe === null ? [] : array_map($describe->demand(...), $ends);
        $start = $row->start === null ? null : substr(Stored::text($row->start), 0, 10);
        $price = $row->price === null ? null : Stored::int($row->price);
        $qty = Stored::int($row->qty);
        $isLate = fn (Demand $demand) => $demand->kind->isOrdered() && $demand->lateDays() > 0;

        return new RequestRow(
            code: Stored::text($row->code), reference: (string) Reference::order(Stored::text($row->code)),
            item: Stored::text($row->item_code),
            name: Stored::text($row->item_name), site: Stored::text($row->site_code),
            qty: Quantity::format($qty), unit: Stored::text($row->unit),
            decimals: Stored::int($row->decimals), supplierCode: Stored::textOrNull($row->supplier_code),
            supplier: Stored::textOrNull($row->supplier),
            currency: Stored::text($row->currency ?? ''), price: $price === null ? null : Quantity::format($price),
            value: $price === null ? null : (string) Summary::value($qty, $price),
            due: substr(Stored::text($row->due), 0, 10), orderBy: $start,
            daysPassed: $start === null ? 0 : max(0, $this->today - Day::parse($start)), for: array_slice($links, 0, self::NAMED),
            forCount: count($links), forKey: $links === [] ? '' : $links[0]->label, lateLines: count(array_filter($ends, $isLate)),
            note: Stored::text($asked->note ?? ''), by: Stored::text($asked->by ?? ''), at: substr(Stored::text($asked->created_at ?? ''), 0, 10),
            offers: $offers, open: $open,
        );
    }

    /**
     * @param  Collection<int, stdClass>  $rows
     * @return array<string, list<Demand>> by code of the line
     */
    private function ends(Collection $rows): array
    {
        if ($this->plan === null) {
            return [];
        }
        $run = $this->plan->run->id;
        $numbers = DB::table('plan_supplies')->where('run_id', $run)->where('kind', 'order')->whereIn('name', $rows->pluck('code')->all())->pluck('n', 'name')->all();
        // what was handed over since the plan was made stands in it as the proposal
        $origins = $rows->filter(fn (stdClass $row) => ! isset($numbers[$row->code]) && Stored::int($row->run_id ?? 0) === $run);
        $places = DB::table('plan_supplies')->where('run_id', $run)->where('kind', 'proposal')
            ->whereIn('name', $origins->map(fn (stdClass $row) => (string) $row->proposal)->all())->pluck('n', 'name')->all();
        foreach ($origins as $row) {
            isset($places[(string) $row->proposal]) && $numbers[$row->code] = $places[(string) $row->proposal];
        }
        $ends = (new EndDemands($this->plan))->of(array_values(array_unique(array_map(Stored::int(...), $numbers))));

        return array_map(fn (mixed $number) => $ends[Stored::int($number)] ?? [], $numbers);
    }

    /**
     * @param  Collection<int, stdClass>  $rows
     * @return array<string, list<SupplierOffer>> by item; of every supplier where nobody offers it
     */
    private function offers(Collection $rows): array
    {
        $found = DB::table('supplier_items as x')->join('suppliers as s', 's.code', '=', 'x.supplier_code')
            ->whereIn('x.item_code', $rows->pluck('item_code')->unique()->all())->orderBy('x.rank')->orderBy('x.supplier_code')
            ->get(['x.item_code', 'x.supplier_code', 's.name', 's.currency', 'x.lead_days']);
        $unoffered = $rows->pluck('item_code')->unique()->diff($found->pluck('item_code'));
        if ($unoffered->isNotEmpty()) {
            $all = DB::table('suppliers')->orderBy('code')->get(['code as supplier_code', 'name', 'currency']);
            $found = $found->concat($unoffered->flatMap(fn (mixed $item) => $all->map(
                fn (stdClass $row) => (object) [...(array) $row, 'item_code' => $item, 'lead_days' => null],
            )));
        }
        $punctual = Punctuality::of(array_values($found->pluck('supplier_code')->unique()->map(Stored::text(...))->all()));
        $offers = [];
        foreach ($found as $row) {
            $offers[Stored::text($row->item_code)][] = new SupplierOffer(
                code: Stored::text($row->supplier_code), name: Stored::text($row->name), currency: Stored::text($row->currency),
                lead: $row->lead_days === null ? null : Stored::int($row->lead_days),
                punctual: ($punctual[$row->supplier_code] ?? null)?->said(),
            );
        }

        return $offers;
    }

    /**
     * @param  list<SupplierOffer>  $offers
     * @return list<SupplierOffer> with what each asks for that quantity
     */
    private function priced(array $offers, PurchasePrices $prices, stdClass $row): array
    {
        $item = Stored::text($row->item_code);

        return array_map(function (SupplierOffer $offer) use ($item, $prices, $row): SupplierOffer {
            $price = $prices->price($item, $offer->code, Stored::int($row->qty));

            return $offer->at($price === null ? null : Quantity::format($price), PriceSteps::of($prices, $item, $offer->code));
        }, $offers);
    }

    /** @return array<string, list<LabelledValue>> orders that have not been sent, by supplier and site */
    private function openOrders(): array
    {
        $orders = [];
        foreach (DB::table('orders')->where('kind', 'buy')->where('status', 'firm')->where('is_request', false)->whereNotNull('supplier_code')
            ->orderBy('code')->limit(1000)->get(['code', 'supplier_code', 'site_code']) as $order) {
            $orders["{$order->supplier_code}\x1f{$order->site_code}"][] = new LabelledValue(Stored::text($order->code), Stored::text($order->code));
        }

        return $orders;
    }
}
