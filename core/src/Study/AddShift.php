<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\ClockTime;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Weekdays;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\Shift;

/** Opens a work centre on more hours of some weekdays, with all of its units or some. Times in minutes from midnight. */
final readonly class AddShift implements Change
{
    public function __construct(
        public string $workCentre,
        #[Column(new Weekdays)] public string $weekdays,
        #[Column(new ClockTime)] public int $from,
        #[Column(new ClockTime)] public int $to,
        public ?int $units = null,
    ) {
    }

    public function apply(Network $network): Network
    {
        isset($network->workCentres[$this->workCentre]) || throw DoesNotFit::because('no_centre', ['centre' => $this->workCentre]);
        $own = array_filter($network->shifts, fn (Shift $shift) => $shift->workCentre === $this->workCentre);
        $own === [] && throw DoesNotFit::because('always_open', ['centre' => $this->workCentre]);
        $units = $this->units;
        $units === null || ($units >= 1 && $units <= $network->workCentres[$this->workCentre]->units)
            || throw DoesNotFit::because('no_such_units', ['centre' => $this->workCentre, 'units' => $units]);

        return $network->with(shifts: [...$network->shifts, Shift::fromValues([
            'workCentre' => $this->workCentre, 'weekdays' => $this->weekdays, 'from' => $this->from, 'to' => $this->to, 'units' => $units,
        ])]);
    }

    public function inverse(Network $before): array
    {
        return [PutShifts::of($before, $this->workCentre)];
    }
}
