<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;

/** Has an operation of an open order done by more or fewer people or machines at once; where it stood, it stands no more. */
final readonly class ChangeCrew implements OfOrder
{
    use OrderChange;

    public function __construct(public string $order, public int $op, public int $crew)
    {
    }

    public function apply(Network $network): Network
    {
        $row = OperationRows::one($network, $this->order, $this->op);
        $most = $network->workCentres[$row->workCentre]->units;
        ($this->crew >= 1 && $this->crew <= $most)
            || throw DoesNotFit::because('no_such_units', ['centre' => $row->workCentre, 'units' => $this->crew]);

        return OperationRows::put($network, $this->crew === $row->crew
            ? $row
            : $row->with(crew: $this->crew, start: null, end: null, units: null, fixed: false));
    }

    public function inverse(Network $before): array
    {
        return [PutOperations::in($before, $this->order)];
    }
}
