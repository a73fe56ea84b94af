<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderOperation;

/** Takes the places of an open order's operations away, so that it waits for some again. What has begun keeps its own. */
final readonly class TakeOffBoard implements OfOrder
{
    use OrderChange;

    public function __construct(public string $order)
    {
    }

    public function apply(Network $network): Network
    {
        $rows = OperationRows::of($network, $this->order);
        $free = fn (OrderOperation $row) => $row->done > 0 ? $row : $row->with(start: null, end: null, units: null, fixed: false);

        return OperationRows::replace($network, $this->order, array_map($free, $rows));
    }

    public function inverse(Network $before): array
    {
        return [PutOperations::in($before, $this->order)];
    }
}
