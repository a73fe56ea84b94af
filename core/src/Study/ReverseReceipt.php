<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Reference\Reference;

/** So much of what came with an order has not come after all. */
final readonly class ReverseReceipt implements MovesStock, OfOrder
{
    use OrderChange;

    /**
     * @param  int  $qty  millionths
     * @param  bool  $blocked  whether it came into what nobody may use
     * @param  bool  $below  whether the books may have had less without it
     */
    public function __construct(
        public string $order,
        #[Column(new Decimal)] public int $qty,
        public bool $blocked = false,
        public bool $below = false,
    ) {
    }

    public function apply(Network $network): Network
    {
        $order = self::order($network, $this->order);
        $this->qty <= $order->received || throw DoesNotFit::because('reversed_more', [
            'order' => $this->order, 'qty' => new Amount($order->received, $network->items[$order->item]->unit),
        ]);

        $network = self::put($network, $order->with(received: $order->received - $this->qty));

        return $this->blocked
            ? StockRows::takeBlocked($network, $order->item, $order->site, $this->qty)
            : StockRows::take($network, $order->item, $order->site, $this->qty, below: $this->below);
    }

    public function inverse(Network $before): array
    {
        return [new ReceiveOrder($this->order, $this->qty, blocked: $this->blocked)];
    }

    public function postings(Network $before): array
    {
        $order = self::order($before, $this->order);

        return [new StockPosting(
            PostingKind::Receipt, $order->item, $order->site, -$this->qty, (string) Reference::order($this->order), $this->blocked,
        )];
    }
}
