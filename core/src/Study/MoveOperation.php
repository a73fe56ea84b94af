<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Instant;
use Yposta\Core\Declaration\UnitNumbers;
use Yposta\Core\Network\Network;

/**
 * Puts an operation of an open order where a person wants it: on these units of its own or another centre, beginning at a minute. It stays
 * there as long as that breaks no rule of the schedule, and while it is fixed also when all is scheduled anew.
 */
final readonly class MoveOperation implements OfOrder
{
    use OrderChange;

    /**
     * @param  string  $units  numbers, `;` between
     * @param  string  $start  `YYYY-MM-DD HH:MM`
     */
    public function __construct(
        public string $order,
        public int $op,
        public string $workCentre,
        #[Column(new UnitNumbers)] public string $units,
        #[Column(new Instant)] public string $start,
        public bool $fixed = true,
    ) {
    }

    public function apply(Network $network): Network
    {
        $order = self::order($network, $this->order);
        $row = OperationRows::at($network, OperationRows::one($network, $this->order, $this->op), $this->workCentre)
            ->with(units: $this->units, start: $this->start, end: null, fixed: $this->fixed);
        $row->done < $order->qty || throw DoesNotFit::because('operation_over', ['order' => $this->order, 'op' => $this->op]);
        $units = $row->unitNumbers();
        $most = $network->workCentres[$this->workCentre]->units;
        foreach ($units as $unit) {
            $unit <= $most || throw DoesNotFit::because('no_such_unit', ['centre' => $this->workCentre, 'unit' => $unit]);
        }
        count($units) === $row->crew
            || throw DoesNotFit::because('crew_needs', ['order' => $this->order, 'op' => $this->op, 'count' => $row->crew]);

        return OperationRows::put($network, $row);
    }

    public function inverse(Network $before): array
    {
        return [PutOperations::in($before, $this->order)];
    }
}
