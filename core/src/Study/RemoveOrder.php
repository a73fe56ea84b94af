<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;

/** Takes an order away that had been put there, whatever was issued to it. */
final readonly class RemoveOrder implements OfOrder
{
    use OrderChange;

    public function __construct(public string $order)
    {
    }

    public function apply(Network $network): Network
    {
        self::order($network, $this->order);
        $orders = $network->orders;
        unset($orders[$this->order]);

        return self::putRows($network->with(orders: $orders), $this->order, []);
    }

    public function inverse(Network $before): array
    {
        return [new PutOrder(self::order($before, $this->order), self::rows($before, $this->order))];
    }
}
