<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;

/** Has an operation of an open order done at another work centre that can do it; where it stood, it stands no more. */
final readonly class DoElsewhere implements OfOrder
{
    use OrderChange;

    public function __construct(public string $order, public int $op, public string $workCentre)
    {
    }

    public function apply(Network $network): Network
    {
        return OperationRows::put(
            $network, OperationRows::at($network, OperationRows::one($network, $this->order, $this->op), $this->workCentre),
        );
    }

    public function inverse(Network $before): array
    {
        return [PutOperations::in($before, $this->order)];
    }
}
