<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\RowsOf;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderComponent;

/** Gives an open order these component rows; none leaves them to the structure. */
final readonly class PutComponents implements OfOrder
{
    use OrderChange;

    /** @param  list<OrderComponent>  $rows */
    public function __construct(public string $order, #[RowsOf(OrderComponent::class)] public array $rows)
    {
    }

    public function apply(Network $network): Network
    {
        self::order($network, $this->order);

        return self::putRows($network, $this->order, $this->rows);
    }

    public function inverse(Network $before): array
    {
        return [new self($this->order, self::rows($before, $this->order))];
    }
}
