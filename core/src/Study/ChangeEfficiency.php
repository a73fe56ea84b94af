<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\WorkCentre;

/** Has a work centre do its work faster or slower. In millionths of a percent of the times in its operations. */
final readonly class ChangeEfficiency implements Change
{
    public function __construct(public string $workCentre, #[Column(new Decimal(above: 0))] public int $efficiency)
    {
    }

    public function apply(Network $network): Network
    {
        return $network->with(workCentres: [
            ...$network->workCentres, $this->workCentre => $this->centre($network)->with(efficiency: $this->efficiency),
        ]);
    }

    public function inverse(Network $before): array
    {
        return [new self($this->workCentre, $this->centre($before)->efficiency)];
    }

    private function centre(Network $network): WorkCentre
    {
        return $network->workCentres[$this->workCentre] ?? throw DoesNotFit::because('no_centre', ['centre' => $this->workCentre]);
    }
}
