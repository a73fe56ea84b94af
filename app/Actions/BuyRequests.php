<?php

declare(strict_types=1);

namespace App\Actions;

use App\Documents\Money;
use App\Models\User;
use App\Planning\LiveNetwork;
use App\Planning\PurchaseTables;
use App\Reading\OrderCounts;
use App\Reading\Shapes\Bought;
use App\Reading\Shapes\MadeOrder;
use App\Support\Idempotency;
use App\Support\Journal;
use App\Support\Refused;
use App\Support\Roles;
use App\Support\Settings;
use App\Support\Stored;
use App\Support\Words;
use App\Support\WriteTurn;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\PurchasePrices;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\QuantityGuard;
use Yposta\Core\Study\BuyFrom;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\MoveOrder;
use Yposta\Core\Study\ResizeOrder;
use Yposta\Core\Support\Phrase;

/** Makes purchase orders of requests, one for each supplier and site, or adds them to an order that has not been sent. */
final readonly class BuyRequests
{
    /** A price that is so many times the one before, or so small a part of it, is asked about. */
    private const FAR_TIMES = 10;

    public function __construct(private LiveNetwork $data, private CommitChanges $commit)
    {
    }

    /**
     * @param  list<array{line: string, qty: int|null, due: int|null, price: int|null, supplier: string|null}>  $lines  codes of requests; quantity
     *    and price of one in millionths, day numbers; null leaves what is asked for
     * @param  string|null  $into  the order that they are added to
     * @param  bool  $sure  whether the person has seen that a price or quantity is far from the one before
     * @return array<string, mixed> Bought
     *
     * @throws Refused when one is no open request any more, has no supplier, or does not belong to that order; nothing is written then
     */
    public function __invoke(array $lines, ?string $into, bool $sure, string $key, User $by): array
    {
        $by->can(Roles::BUY) || throw Refused::because('purchase.forbidden', [], 'forbidden');

        return Idempotency::once($key, 'buy', $by, function () use ($lines, $into, $sure, $by): array {
            WriteTurn::take();
            $lines = array_column($lines, null, 'line');
            $this->open(array_map(strval(...), array_keys($lines)));
            $network = $this->data->read();
            [$changes, $far] = $this->changes($lines, $network);
            $sure || $far === [] || throw Refused::because('purchase.far', ['lines' => implode('; ', $far)], 'absurd', ['lines' => $far]);
            $changes === [] || ($this->commit)([$changes], [], $by);
            foreach ($lines as $code => $line) {
                $line['price'] === null || DB::table('order_lines')->where('code', $code)->update(['price' => $line['price']]);
            }

            return $this->bundled($this->open(array_map(strval(...), array_keys($lines))), $into, $by);
        });
    }

    /**
     * @param  list<string>  $codes
     * @return list<stdClass> in their order
     */
    private function open(array $codes): array
    {
        $found = PurchaseTables::open()->whereIn('l.code', $codes)->leftJoin('suppliers as s', 's.code', '=', 'o.supplier_code')->get([
            'l.id', 'l.code', 'l.order_id', 'l.item_code', 'l.qty', 'l.price', 'o.supplier_code', 'o.site_code', 's.name as supplier',
        ])->keyBy('code');
        $lines = [];
        foreach ($codes as $code) {
            $lines[] = $found->get($code) ?? throw Refused::because('purchase.no_request', ['order' => $code], 'stale');
        }

        return $lines;
    }

    /**
     * What the buyer has decided otherwise, as changes, and what of it is far from what was there.
     *
     * @param  array<string, array{line: string, qty: int|null, due: int|null, price: int|null, supplier: string|null}>  $lines
     * @return array{list<Change>, list<string>}
     */
    private function changes(array $lines, Network $network): array
    {
        $changes = $far = [];
        $today = Day::parse(Settings::planDate());
        foreach ($lines as $code => $line) {
            $order = $network->orders[$code] ?? throw Refused::because('purchase.no_request', ['order' => (string) $code], 'stale');
            $supplier = $line['supplier'] ?? $order->supplier ?? throw Refused::because('purchase.no_supplier', ['item' => $order->item], 'supplier');
            $supplier === $order->supplier || $changes[] = new BuyFrom($order->code, $supplier);
            $line['qty'] === null || $line['qty'] === $order->qty || $changes[] = new ResizeOrder($order->code, $line['qty']);
            $line['due'] === null || $line['due'] >= $today || throw Refused::because('purchase.passed', ['item' => $order->item], 'date');
            $line['due'] === null || $line['due'] === $order->due || $changes[] = new MoveOrder($order->code, $line['due']);
            array_push($far, ...$this->far($line, $order, $supplier, $network));
        }

        return [$changes, $far];
    }

    /**
     * @param  array{line: string, qty: int|null, due: int|null, price: int|null, supplier: string|null}  $line
     * @return list<string>
     */
    private function far(array $line, OpenOrder $order, string $supplier, Network $network): array
    {
        $far = [];
        $unit = $network->items[$order->item]->unit;
        $line['qty'] !== null && QuantityGuard::isAbsurd($order->qty, $line['qty']) && $far[] = Words::say(new Phrase('refused.purchase.far_qty', [
            'item' => $order->item, 'qty' => new Amount($line['qty'], $unit), 'before' => new Amount($order->qty, $unit),
        ]));
        $price = $line['price'];
        $before = PurchasePrices::of($network)->price($order->item, $supplier, $line['qty'] ?? $order->qty);
        $isFar = $price !== null && ($price === 0 || ($before !== null && $before > 0
            && (intdiv($price, self::FAR_TIMES) >= $before || intdiv($before, self::FAR_TIMES) >= $price)));
        $isFar && $far[] = Words::say(new Phrase($before === null ? 'refused.purchase.no_price' : 'refused.purchase.far_price', [
            'item' => $order->item, 'price' => Money::said($price), 'before' => Money::said($before ?? 0),
        ]));

        return $far;
    }

    /**
     * @param  list<stdClass>  $lines
     * @return array<string, mixed> Bought
     */
    private function bundled(array $lines, ?string $into, User $by): array
    {
        $groups = [];
        foreach ($lines as $line) {
            $line->supplier_code !== null || throw Refused::because('purchase.no_supplier', ['item' => $line->item_code], 'supplier');
            $groups["{$line->supplier_code}\x1f{$line->site_code}"][] = $line;
        }
        $order = $into === null ? null : $this->notSent($into, array_map(strval(...), array_keys($groups)));
        $made = [];
        foreach ($groups as $of) {
            $code = PurchaseTables::bundle($of, $order, Stored::text($of[0]->supplier_code), Stored::text($of[0]->site_code), $by);
            $items = implode(', ', array_map(fn (stdClass $line) => Stored::text($line->item_code), $of));
            $made[] = new MadeOrder($code, OrderKind::Buy, Stored::text($of[0]->supplier), $items, '/orders/'.rawurlencode($code));
            Journal::note('buy', Words::say(new Phrase($order === null ? 'journal.purchase.bought' : 'journal.purchase.added', [
                'order' => $code, 'what' => implode(', ', array_map(fn (stdClass $line) => Stored::text($line->code), $of)),
            ])), $by);
        }
        $message = $order === null
            ? OrderCounts::said(array_fill(0, count($made), OrderKind::Buy), made: true)
            : Words::say(new Phrase('journal.purchase.added_to', ['order' => $made[0]->code, 'count' => count($lines)]));

        return get_object_vars(new Bought($made, $message));
    }

    /** @param  list<string>  $groups  suppliers and sites */
    private function notSent(string $code, array $groups): stdClass
    {
        $order = DB::table('orders')->where('code', $code)->where('kind', 'buy')->where('status', 'firm')->where('is_request', false)
            ->lockForUpdate()->first() ?? throw Refused::because('purchase.not_open', ['order' => $code], 'stale');
        $groups === ["{$order->supplier_code}\x1f{$order->site_code}"] || throw Refused::because('purchase.other_supplier', ['order' => $code], 'fit');

        return $order;
    }
}
