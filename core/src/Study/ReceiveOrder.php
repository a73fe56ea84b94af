<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Reference\Reference;

/**
 * So much of an open order has come into stock. What is held of it and has come is held in stock from then on. A production order that
 * left its components to the structure gets them written out, as what it needs does not become less by being done.
 */
final readonly class ReceiveOrder implements MovesStock, OfOrder
{
    use OrderChange;

    /**
     * @param  int  $qty  millionths
     * @param  bool  $over  whether more may come than was still to come; the order then has become as large
     * @param  bool  $blocked  whether nobody may use it yet; what was held of it is held no more then
     */
    public function __construct(
        public string $order,
        #[Column(new Decimal)] public int $qty,
        public bool $over = false,
        public bool $blocked = false,
    ) {
    }

    public function apply(Network $network): Network
    {
        $order = self::order($network, $this->order);
        StockRows::checkAmount($network, $order->item, $this->qty);
        $order->kind !== OrderKind::Transfer || $order->status === OrderStatus::Released
            || throw DoesNotFit::because('not_sent', ['order' => $this->order]);
        $received = $order->received + $this->qty;
        $this->over || $received <= $order->qty || throw DoesNotFit::because('received_more', [
            'order' => $this->order, 'qty' => new Amount($this->qty, $network->items[$order->item]->unit),
            'open' => new Amount($order->open(), $network->items[$order->item]->unit),
        ]);
        if ($order->kind === OrderKind::Make && self::rows($network, $this->order) === []) {
            $network = self::putRows($network, $this->order, OrderRows::of($network, $this->order));
        }
        $network = self::put($network, $order->with(received: $received, qty: max($order->qty, $received)));

        if ($this->blocked) {
            return StockRows::dropHolds(StockRows::addBlocked($network, $order->item, $order->site, $this->qty), $this->order);
        }
        $owed = StockRows::owed($network, $order->item, $order->site);
        $network = StockRows::moveHolds(StockRows::add($network, $order->item, $order->site, $this->qty), $this->order);

        return $owed === 0 ? $network : StockRows::trimHolds($network, $order->item, $order->site);
    }

    public function inverse(Network $before): array
    {
        $order = self::order($before, $this->order);
        $after = $this->apply($before);
        $rows = self::rows($before, $this->order);
        $grew = $after->orders[$this->order]->qty !== $order->qty;

        return [
            ...($this->blocked ? [] : StockRows::holdsBack($before, $after)),
            new ReverseReceipt($this->order, $this->qty, $this->blocked, StockRows::owed($before, $order->item, $order->site) > 0),
            ...($this->blocked ? StockRows::holdsBack($before, $after) : []),
            ...($grew ? [new ResizeOrder($this->order, $order->qty)] : []),
            ...($grew || $rows !== self::rows($after, $this->order) ? [new PutComponents($this->order, $rows)] : []),
        ];
    }

    public function postings(Network $before): array
    {
        $order = self::order($before, $this->order);

        return [new StockPosting(
            PostingKind::Receipt, $order->item, $order->site, $this->qty, (string) Reference::order($this->order), $this->blocked,
        )];
    }
}
