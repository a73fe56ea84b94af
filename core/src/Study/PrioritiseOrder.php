<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;

/** Gives an open order another urgency, from 1 (most urgent) to 9; its components carry it. */
final readonly class PrioritiseOrder implements OfOrder
{
    use OrderChange;

    public function __construct(public string $order, public int $priority)
    {
    }

    public function apply(Network $network): Network
    {
        if ($this->priority < 1 || $this->priority > 9) {
            throw DoesNotFit::because('priority');
        }

        return self::put($network, self::order($network, $this->order)->with(priority: $this->priority));
    }

    public function inverse(Network $before): array
    {
        return [new self($this->order, self::order($before, $this->order)->priority)];
    }
}
