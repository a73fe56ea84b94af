<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;

/** Pins an open order, so that nothing assumes that it moves, or frees it again. */
final readonly class PinOrder implements OfOrder
{
    use OrderChange;

    public function __construct(public string $order, public bool $pinned)
    {
    }

    public function apply(Network $network): Network
    {
        return self::put($network, self::order($network, $this->order)->with(pinned: $this->pinned));
    }

    public function inverse(Network $before): array
    {
        return [new self($this->order, self::order($before, $this->order)->pinned)];
    }
}
