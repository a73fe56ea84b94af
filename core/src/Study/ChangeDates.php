<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;

/** Gives an open order a due date and a start, and moves nothing else; an empty start is left to the lead time. */
final readonly class ChangeDates implements Change
{
    use OrderChange;

    public function __construct(public string $order, public int $due, public ?int $start)
    {
    }

    public function apply(Network $network): Network
    {
        return self::put($network, self::order($network, $this->order)->with(due: $this->due, start: $this->start));
    }

    public function inverse(Network $before): array
    {
        $old = self::order($before, $this->order);

        return [new self($this->order, $old->due, $old->start)];
    }
}
