<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Network\Network;

/** Gives an open order a due date and a start, and moves nothing else; an empty start is left to the lead time. */
final readonly class ChangeDates implements OfOrder
{
    use OrderChange;

    public function __construct(public string $order, #[Column(new DayColumn)] public int $due, #[Column(new DayColumn)] public ?int $start)
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
