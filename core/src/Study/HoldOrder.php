<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;

/** Leaves a production order out of the schedule until it is let go again. */
final readonly class HoldOrder implements OfOrder
{
    use OrderChange;

    public function __construct(public string $order, public bool $held = true)
    {
    }

    public function apply(Network $network): Network
    {
        return self::put($network, self::produced($network, $this->order)->with(hold: $this->held));
    }

    public function inverse(Network $before): array
    {
        return [new self($this->order, self::order($before, $this->order)->hold)];
    }
}
