<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\RowsOf;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\Shift;

/** Puts back the shifts of a work centre. */
final readonly class PutShifts implements Change
{
    /** @param  list<Shift>  $shifts */
    public function __construct(public string $workCentre, #[RowsOf(Shift::class)] public array $shifts)
    {
    }

    public static function of(Network $network, string $centre): self
    {
        return new self($centre, array_values(array_filter($network->shifts, fn (Shift $shift) => $shift->workCentre === $centre)));
    }

    public function apply(Network $network): Network
    {
        isset($network->workCentres[$this->workCentre]) || throw DoesNotFit::because('no_centre', ['centre' => $this->workCentre]);
        $others = array_filter($network->shifts, fn (Shift $shift) => $shift->workCentre !== $this->workCentre);
        $own = array_filter($this->shifts, fn (Shift $shift) => $shift->workCentre === $this->workCentre);

        return $network->with(shifts: [...array_values($others), ...array_values($own)]);
    }

    public function inverse(Network $before): array
    {
        return [self::of($before, $this->workCentre)];
    }
}
