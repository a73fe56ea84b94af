<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderStatus;

/** Starts or sends a firm order: from then on the run keeps its dates as they are. */
final readonly class ReleaseOrder implements OfOrder
{
    use OrderChange;

    public function __construct(public string $order, public bool $released = true)
    {
    }

    public function apply(Network $network): Network
    {
        $old = self::order($network, $this->order);
        if (($old->status === OrderStatus::Released) === $this->released) {
            throw DoesNotFit::because($this->released ? 'released_already' : 'firm_already', ['order' => $this->order]);
        }

        return self::put($network, $old->with(status: $this->released ? OrderStatus::Released : OrderStatus::Firm));
    }

    public function inverse(Network $before): array
    {
        return [new self($this->order, ! $this->released)];
    }
}
