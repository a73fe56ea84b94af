<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\RowsOf;
use Yposta\Core\Network\Closure;
use Yposta\Core\Network\Network;

/** Puts back when a work centre is closed. */
final readonly class PutClosures implements Change
{
    /** @param  list<Closure>  $closures */
    public function __construct(public string $workCentre, #[RowsOf(Closure::class)] public array $closures)
    {
    }

    public static function of(Network $network, string $centre): self
    {
        return new self($centre, array_values(array_filter($network->closures, fn (Closure $closure) => $closure->workCentre === $centre)));
    }

    public function apply(Network $network): Network
    {
        isset($network->workCentres[$this->workCentre]) || throw DoesNotFit::because('no_centre', ['centre' => $this->workCentre]);
        $others = array_filter($network->closures, fn (Closure $closure) => $closure->workCentre !== $this->workCentre);
        $own = array_filter($this->closures, fn (Closure $closure) => $closure->workCentre === $this->workCentre);

        return $network->with(closures: [...array_values($others), ...array_values($own)]);
    }

    public function inverse(Network $before): array
    {
        return [self::of($before, $this->workCentre)];
    }
}
