<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\MasterItem;
use App\Models\Order;
use App\Models\OrderLine;
use App\Reading\Shapes\ComponentRow;
use App\Reading\Shapes\OrderDetail;
use App\Reading\Shapes\OrderLineRow;
use App\Reading\Shapes\OrderState;
use App\Reading\Shapes\Strip;
use App\Reading\Shapes\SubstituteChoice;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\Summary;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceOrder;

/** An order by itself, with what the live plan says of it. */
final readonly class OrderView
{
    public function __construct(private ?StoredPlan $plan)
    {
    }

    public function detail(Order $order): OrderDetail
    {
        $order->load(['lines.item', 'lines.components', 'supplier', 'site', 'creator']);
        $lines = [];
        $total = 0;
        foreach ($order->lines as $line) {
            if ($line->cancelled && $order->status !== 'cancelled') {
                continue;
            }
            $price = $this->price($order, $line);
            $lines[] = $this->line($order, $line, $price);
            $total += $price === null ? 0 : Summary::value($line->qty, $price);
        }

        return new OrderDetail(
            code: $order->code,
            kind: OrderKind::from($order->kind),
            status: OrderState::from($order->status),
            site: $order->site_code,
            siteName: (string) $order->site?->name,
            supplier: $order->supplier?->name,
            currency: (string) $order->supplier?->currency,
            total: $order->kind === 'buy' && $total > 0 ? (string) $total : null,
            createdBy: $order->creator?->name,
            createdAt: $order->created_at?->toIso8601String(),
            lines: $lines,
            purchase: PurchaseView::of($order),
        );
    }

    /** For one unit, in millionths: what was agreed, else what the supplier asks today; null where neither is known. */
    private function price(Order $order, OrderLine $line): ?int
    {
        return $line->price ?? (new Prices)->price($line->item_code, $order->supplier_code, $line->qty);
    }

    /** @param  int|null  $price  for one unit, millionths */
    private function line(Order $order, OrderLine $line, ?int $price): OrderLineRow
    {
        $supply = $this->supplyNumber($line->code);
        $expected = null;
        $serves = $waiting = [];
        $messages = [];
        $strips = [];
        if ($this->plan !== null && $supply !== null) {
            $object = $this->plan->supplyNumbered($supply);
            $describe = new Describe($this->plan);
            $expected = $this->plan->dates->iso($object->available);
            $pegs = $this->plan->pegsOfSupplies([$supply])[$supply];
            $serves = $describe->serves($object, $pegs);
            $waiting = $describe->waiting($pegs);
            $messages = $describe->messages($object->point, $object->reference());
            $strips = $this->strips($supply, $describe);
        }

        return new OrderLineRow(
            reference: (string) Reference::order($line->code),
            code: $line->code,
            item: $line->item_code,
            name: (string) $line->item?->name,
            unit: (string) $line->item?->unit,
            decimals: (int) $line->item?->decimals,
            qty: Quantity::format($line->qty),
            received: Quantity::format($line->received),
            open: Quantity::format(max(0, $line->qty - $line->received)),
            from: $line->from_site_code,
            start: $line->start === null ? null : substr($line->start, 0, 10),
            due: substr($line->due, 0, 10),
            expected: $expected,
            price: $price === null ? null : Quantity::format($price),
            pinned: $line->pinned,
            priority: $line->priority,
            source: $line->proposal === null
                ? null
                : (string) trans('Proposal :number of run :run', ['number' => $line->proposal, 'run' => $line->run_id]),
            messages: $messages,
            serves: $serves,
            waiting: $waiting,
            components: $line->components->isEmpty() && $supply !== null
                ? $this->plannedComponents($supply)
                : $this->ownComponents($line, $strips),
            held: (bool) $line->hold,
            notBefore: $line->not_before === null ? null : substr((string) $line->not_before, 0, 10),
            finishBy: $line->finish_by === null ? null : substr((string) $line->finish_by, 0, 10),
            operations: $supply === null || $this->plan === null ? [] : StoredOperations::of($this->plan->run, [$supply])[$supply] ?? [],
            confirmedQty: $line->confirmed_qty === null ? null : Quantity::format($line->confirmed_qty),
            confirmedDue: $line->confirmed_due === null ? null : substr($line->confirmed_due, 0, 10),
            confirmedHow: $line->confirmed_how,
            took: $order->kind === 'make' ? OrderCosts::of($line) : null,
        );
    }

    /**
     * @param  array<string, Strip>  $strips  by line
     * @return list<ComponentRow>
     */
    private function ownComponents(OrderLine $line, array $strips): array
    {
        $items = MasterItem::query()->whereIn('code', $line->components->pluck('item_code'))->get()->keyBy('code');

        $components = $line->components->sort(fn ($a, $b) => ReferenceOrder::lines((string) $a->line, (string) $b->line));

        return array_values($components->map(fn ($component) => new ComponentRow(
            line: $component->line,
            item: $component->item_code,
            name: (string) $items->get($component->item_code)?->name,
            unit: (string) $items->get($component->item_code)?->unit,
            qty: Quantity::format((int) $component->qty),
            issued: Quantity::format((int) $component->issued),
            open: Quantity::format(max(0, (int) $component->qty - (int) $component->issued)),
            decimals: (int) $items->get($component->item_code)?->decimals,
            need: substr($component->need ?? $line->start ?? $line->due, 0, 10),
            strip: $strips[$component->line] ?? null,
            substitutes: $this->substitutes($line->item_code, $component->item_code),
        ))->all());
    }

    /**
     * An order without component rows needs what its structure says; the plan has worked that out.
     *
     * @return list<ComponentRow>
     */
    private function plannedComponents(int $supply): array
    {
        if ($this->plan === null) {
            return [];
        }
        $describe = new Describe($this->plan);
        $numbers = array_values(DB::table('plan_demands')->where('run_id', $this->plan->run->id)->where('for_supply', $supply)
            ->where('kind', 'part')->orderBy('rank')->pluck('n')->map(fn ($value) => (int) $value)->all());
        $rows = [];
        foreach ($this->plan->pegsOfDemands($numbers) as $n => $pegs) {
            $demand = $this->plan->demandNumbered($n);
            $point = $this->plan->pointOf($demand->point);
            $rows[] = new ComponentRow(
                line: $demand->line,
                item: $point->item,
                name: $point->name,
                unit: $point->unit,
                qty: Quantity::format($demand->qty),
                issued: '0',
                open: Quantity::format($demand->qty),
                decimals: $point->decimals,
                need: $this->plan->dates->iso((int) $demand->date),
                strip: $describe->strip($demand, $pegs),
                substitutes: $this->substitutes($this->plan->pointOf($this->plan->supplyNumbered($supply)->point)->item, $point->item),
            );
        }

        return $rows;
    }

    /** @return list<SubstituteChoice> what may stand for a component, the lowest rank first */
    private function substitutes(string $item, string $component): array
    {
        return array_values(DB::table('substitutes as s')->join('items as i', 'i.code', '=', 's.substitute_code')
            ->where('s.item_code', $item)->where('s.component_code', $component)->orderBy('s.rank')
            ->get(['s.substitute_code', 'i.name', 's.ratio'])->map(fn ($row) => new SubstituteChoice(
                $row->substitute_code,
                $row->name,
                Quantity::format((int) $row->ratio),
            ))->all());
    }

    private function supplyNumber(string $code): ?int
    {
        if ($this->plan === null) {
            return null;
        }
        $n = DB::table('plan_supplies')->where('run_id', $this->plan->run->id)->where('kind', 'order')->where('name', $code)->value('n');

        return is_numeric($n) ? (int) $n : null;
    }

    /** @return array<string, Strip> cover of the order's components by line */
    private function strips(int $supply, Describe $describe): array
    {
        if ($this->plan === null) {
            return [];
        }
        $numbers = array_values(DB::table('plan_demands')->where('run_id', $this->plan->run->id)->where('for_supply', $supply)->pluck('n')
            ->map(fn ($value) => (int) $value)->all());
        $strips = [];
        foreach ($this->plan->pegsOfDemands($numbers) as $n => $pegs) {
            $demand = $this->plan->demandNumbered($n);
            $strips[$demand->line] = $describe->strip($demand, $pegs);
        }

        return $strips;
    }
}
