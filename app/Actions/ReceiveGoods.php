<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\Booking;
use App\Planning\LiveNetwork;
use App\Support\Refused;
use App\Support\Settings;
use App\Support\Stored;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\Factor;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\IssuePart;
use Yposta\Core\Study\OrderRows;
use Yposta\Core\Study\ReceiveOrder;
use Yposta\Core\Study\ResizeOrder;
use Yposta\Core\Support\Phrase;

/** Takes what orders bring into stock: a part of it or all, a little more than was ordered, and says where no more will come. */
final readonly class ReceiveGoods
{
    public function __construct(private PostStock $post, private LiveNetwork $data)
    {
    }

    /**
     * @param  list<array{order: string, item: string, qty: int, last: bool, parts: bool}>  $lines  millionths; `item` is what came, `last` that no
     *    more comes, `parts` that what it is made of has been used
     * @param  string|null  $day  ISO date on which it came; null for today
     * @return array<string, mixed> Posted
     *
     * @throws Refused when another item came, more than the tolerance, on a day to come, or the order is over
     */
    public function __invoke(array $lines, ?string $day, string $note, string $key, User $by): array
    {
        return ($this->post)('receive', $day, $key, $by, fn () => $this->all($lines, $day, $note));
    }

    /**
     * All that is still to come of some orders has come; what is made has used its components.
     *
     * @param  list<string>  $orders  codes
     * @param  string|null  $day  ISO date; null for today
     * @return array<string, mixed> Posted
     *
     * @throws Refused when one of them is over or not sent, or a component is not there; nothing is written then
     */
    public function whole(array $orders, ?string $day, string $note, string $key, User $by): array
    {
        return ($this->post)('receive', $day, $key, $by, fn () => $this->all($this->open($orders), $day, $note));
    }

    /**
     * @param  list<string>  $orders
     * @return list<array{order: string, item: string, qty: int, last: bool, parts: bool}>
     */
    private function open(array $orders): array
    {
        $found = DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->whereIn('o.code', $orders)
            ->where('l.cancelled', false)->whereColumn('l.received', '<', 'l.qty')->orderBy('l.id')
            ->get(['o.code as head', 'l.code', 'l.qty', 'l.received']);
        $over = array_values(array_diff($orders, $found->pluck('head')->all()));
        $over === [] || throw Refused::because('stock.over', ['order' => $over[0]], 'over');

        return array_values($found->map(fn ($line) => [
            'order' => Stored::text($line->code), 'item' => '', 'qty' => Stored::int($line->qty) - Stored::int($line->received),
            'last' => false, 'parts' => true,
        ])->all());
    }

    /**
     * @param  list<array{order: string, item: string, qty: int, last: bool, parts: bool}>  $lines
     * @return array{list<Change>, string, Booking}
     */
    private function all(array $lines, ?string $day, string $note): array
    {
        $network = $this->data->read();
        $changes = $said = [];
        foreach ($lines as $line) {
            [$own, $made] = $this->received($network, $line);
            foreach ($made as $change) {
                $network = PostedChange::apply($change, $network);
            }
            array_push($changes, ...$made);
            $said[] = $own;
        }

        return [$changes, implode('; ', array_slice($said, 0, 20)), new Booking($note, $day)];
    }

    /**
     * What one line is, in words and as changes.
     *
     * @param  array{order: string, item: string, qty: int, last: bool, parts: bool}  $line
     * @return array{string, list<Change>}
     *
     * @throws Refused when it is another item, more than the tolerance, or the order is over
     */
    public function received(Network $network, array $line): array
    {
        $order = $network->orders[$line['order']] ?? throw Refused::because('stock.over', ['order' => $line['order']], 'over');
        $line['item'] === '' || $line['item'] === $order->item
            || throw Refused::because('stock.wrong_item', ['order' => $order->code, 'item' => $order->item, 'came' => $line['item']], 'item');
        $unit = $network->items[$order->item]->unit;
        $percent = Stored::int(Settings::get(Settings::OVER_PERCENT, 10));
        $most = $order->qty + intdiv($order->qty, 100) * $percent;
        $received = $order->received + $line['qty'];
        $received <= max($most, $order->qty) || throw Refused::because('stock.too_much', [
            'order' => $order->code, 'qty' => new Amount($line['qty'], $unit), 'open' => new Amount($order->open(), $unit), 'percent' => $percent,
        ], 'quantity');
        $order->open() > 0 || throw Refused::because('stock.over', ['order' => $order->code], 'over');
        $changes = [new ReceiveOrder($order->code, $line['qty'], $received > $order->qty)];
        $order->kind === OrderKind::Make && $line['parts'] && array_push($changes, ...$this->used($network, $order, $line['qty']));
        $line['last'] && $received < $order->qty && $changes[] = new ResizeOrder($order->code, $received);
        $said = new Phrase($line['last'] && $received < $order->qty ? 'journal.stock.received_last' : 'journal.stock.received', [
            'order' => $order->code, 'item' => $order->item, 'qty' => new Amount($line['qty'], $unit),
        ]);

        return [Words::say($said), $changes];
    }

    /**
     * What was used of its components for so much of it, as far as it has not been issued.
     *
     * @return list<Change>
     */
    private function used(Network $network, OpenOrder $order, int $qty): array
    {
        $changes = [];
        foreach (OrderRows::own($network, $order->code) ?: OrderRows::of($network, $order->code) as $row) {
            $step = $network->items[$row->item]->step();
            $wanted = Factor::share(min($order->qty, $order->received + $qty), $row->qty, $order->qty, $step) - $row->issued;
            $wanted = min($wanted, $row->open());
            $wanted > 0 && $changes[] = new IssuePart($order->code, $row->line, $wanted);
        }

        return $changes;
    }
}
