<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Instant;
use Yposta\Core\Network\Closure;
use Yposta\Core\Network\Network;

/** A work centre is down for a time, or one of its units is. Instants as `YYYY-MM-DD HH:MM`. */
final readonly class CloseCentre implements Change
{
    public function __construct(
        public string $workCentre,
        #[Column(new Instant)] public string $from,
        #[Column(new Instant)] public string $to,
        public ?int $unit = null,
        public string $reason = '',
    ) {
    }

    public function apply(Network $network): Network
    {
        $centre = $network->workCentres[$this->workCentre] ?? throw DoesNotFit::because('no_centre', ['centre' => $this->workCentre]);
        $this->unit === null || ($this->unit >= 1 && $this->unit <= $centre->units)
            || throw DoesNotFit::because('no_such_unit', ['centre' => $this->workCentre, 'unit' => $this->unit]);

        return $network->with(closures: [...$network->closures, Closure::fromValues([
            'workCentre' => $this->workCentre, 'unit' => $this->unit, 'from' => $this->from, 'to' => $this->to, 'units' => null,
            'reason' => $this->reason,
        ])]);
    }

    public function inverse(Network $before): array
    {
        return [PutClosures::of($before, $this->workCentre)];
    }
}
