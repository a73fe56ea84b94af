<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\Factor;
use Yposta\Core\Quantity\Quantity;

/**
 * Gives an open order another quantity. Its component rows change in proportion, rounded up to the component's decimals, but never
 * below what has been issued.
 */
final readonly class ResizeOrder implements OfOrder
{
    use OrderChange;

    public function __construct(public string $order, #[Column(new Decimal)] public int $qty)
    {
    }

    public function apply(Network $network): Network
    {
        $old = self::order($network, $this->order);
        if ($this->qty <= 0) {
            throw DoesNotFit::because('resize_to_nothing', ['order' => $this->order]);
        }
        if ($this->qty < $old->received) {
            throw DoesNotFit::because('received', ['order' => $this->order, 'qty' => new Amount($old->received)]);
        }
        if (! Quantity::fits($this->qty, $network->items[$old->item]->decimals)) {
            throw DoesNotFit::because('decimals', ['item' => $old->item, 'decimals' => $network->items[$old->item]->decimals]);
        }
        $network = self::put($network, $old->with(qty: $this->qty));
        $rows = self::rows($network, $this->order);
        if ($rows === [] || $old->qty === $this->qty) {
            return $network;
        }

        return self::putRows($network, $this->order, array_map(fn (OrderComponent $row) => $row->with(
            qty: max($row->issued, Factor::share($row->qty, $this->qty, $old->qty, $network->items[$row->item]->step())),
        ), $rows));
    }

    public function inverse(Network $before): array
    {
        $old = self::order($before, $this->order);
        $rows = self::rows($before, $this->order);
        $back = new self($this->order, $old->qty);

        return $rows === [] ? [$back] : [$back, new PutComponents($this->order, $rows)];
    }
}
