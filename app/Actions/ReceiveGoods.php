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
use Yposta\Core\Reference\Reference;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ReceiveOrder;
use Yposta\Core\Study\ResizeOrder;
use Yposta\Core\Study\StraightTo;
use Yposta\Core\Study\UsedParts;
use Yposta\Core\Support\Phrase;

/**
 * Takes what orders bring into stock: a part of it or all, a little more than was ordered, and says where no more will come.
 *
 * Of what came, `qty` is in millionths, `item` is what it really is, `last` says that no more comes, `parts` that what it is made of has been used,
 * `blocked` that nobody may use it yet, and `to` the need that it goes to at once: a component is issued, for a customer it is held.
 *
 * @phpstan-type Came array{order: string, item: string, qty: int, last: bool, parts: bool, blocked?: bool, to?: string}
 */
final readonly class ReceiveGoods
{
    public function __construct(private PostStock $post, private LiveNetwork $data)
    {
    }

    /**
     * @param  list<Came>  $lines
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
     * @return list<Came>
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
     * @param  list<Came>  $lines
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
     * @param  Came  $line
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
        $blocked = $line['blocked'] ?? false;
        $changes = [new ReceiveOrder($order->code, $line['qty'], $received > $order->qty, $blocked)];
        [$used, $told] = $order->kind === OrderKind::Make ? $this->used($network, $order, $received, $line['parts']) : [[], []];
        array_push($changes, ...$used);
        $isLast = $line['last'] && $received < $order->qty;
        $isLast && $changes[] = new ResizeOrder($order->code, $received);
        [$straight, $to] = $blocked ? [[], []] : $this->straight($network, $changes, $order, $line);
        $said = new Phrase($blocked ? 'journal.stock.received_blocked' : ($isLast ? 'journal.stock.received_last' : 'journal.stock.received'), [
            'order' => $order->code, 'item' => $order->item, 'qty' => new Amount($line['qty'], $unit),
        ]);

        return [implode(', ', [Words::say($said), ...$to, ...$told]), [...$changes, ...$straight]];
    }

    /**
     * What goes straight to who waits for it.
     *
     * @param  list<Change>  $changes  that bring it
     * @param  Came  $line
     * @return array{list<Change>, list<string>} and what is said of it
     *
     * @throws Refused when that does not wait for this item there
     */
    private function straight(Network $network, array $changes, OpenOrder $order, array $line): array
    {
        $to = $line['to'] ?? '';
        if ($to === '') {
            return [[], []];
        }
        foreach ($changes as $change) {
            $network = PostedChange::apply($change, $network);
        }
        $change = StraightTo::of($network, $order, $to, $line['qty'])
            ?? throw Refused::because('stock.waits_not', ['need' => Reference::tryParse($to)->name ?? $to], 'to');
        PostedChange::apply($change, $network);

        return [[$change], [Words::say(new Phrase('journal.stock.straight', [
            'qty' => new Amount($change->qty, $network->items[$order->item]->unit), 'to' => Reference::tryParse($to)->name ?? $to,
        ]))]];
    }

    /**
     * What was used of its components, as far as it has not been issued: of all of them, or of those that are issued by themselves.
     *
     * @param  int  $done  of the whole order, millionths
     * @return array{list<Change>, list<string>} and what is said of it
     */
    private function used(Network $network, OpenOrder $order, int $done, bool $all): array
    {
        $wanted = UsedParts::of($network, $order, $done, ! $all);

        return $all ? [$wanted, []] : AutoIssue::of($network, $wanted);
    }
}
