<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;

/** Keeps an operation where the schedule has it, also when all is scheduled anew, or lets it go again. */
final readonly class FixOperation implements OfOrder
{
    use OrderChange;

    public function __construct(public string $order, public int $op, public bool $fixed = true)
    {
    }

    public function apply(Network $network): Network
    {
        $row = OperationRows::one($network, $this->order, $this->op);
        $isPlaced = $row->start !== null && $row->start !== '' && $row->unitNumbers() !== [];
        $isPlaced || ! $this->fixed || throw DoesNotFit::because('not_scheduled', ['order' => $this->order, 'op' => $this->op]);

        return OperationRows::put($network, $row->with(fixed: $this->fixed));
    }

    public function inverse(Network $before): array
    {
        return [PutOperations::in($before, $this->order)];
    }
}
