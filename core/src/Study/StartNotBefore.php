<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Network\Network;

/** The first day on which the work of a production order may begin; null lets it begin at any time. Day number. */
final readonly class StartNotBefore implements OfOrder
{
    use OrderChange;

    public function __construct(public string $order, #[Column(new DayColumn)] public ?int $day)
    {
    }

    public function apply(Network $network): Network
    {
        return self::put($network, self::produced($network, $this->order)->with(notBefore: $this->day));
    }

    public function inverse(Network $before): array
    {
        return [new self($this->order, self::order($before, $this->order)->notBefore)];
    }
}
