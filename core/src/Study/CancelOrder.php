<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;

/** Takes an open order away, with all that it still needs. */
final readonly class CancelOrder implements OfOrder
{
    use OrderChange;

    public function __construct(public string $order)
    {
    }

    public function apply(Network $network): Network
    {
        $orders = $network->orders;
        $old = self::order($network, $this->order);
        foreach (self::rows($network, $this->order) as $row) {
            if ($row->issued > 0) {
                throw DoesNotFit::because('issued', ['order' => $old->code, 'item' => $row->item]);
            }
        }
        unset($orders[$this->order]);

        return self::putRows($network->with(orders: $orders), $this->order, []);
    }

    public function inverse(Network $before): array
    {
        return [new PutOrder(self::order($before, $this->order), self::rows($before, $this->order))];
    }
}
