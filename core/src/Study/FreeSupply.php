<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\Network;

/** Frees what is held of a supply for a demand. */
final readonly class FreeSupply implements Change
{
    public function __construct(public string $demand, public string $supply)
    {
    }

    public function apply(Network $network): Network
    {
        $others = self::others($network, $this->demand, $this->supply);
        if (count($others) === count($network->allocations)) {
            throw DoesNotFit::because(
                'nothing_held',
                ['supply' => HoldSupply::named($this->supply), 'demand' => HoldSupply::named($this->demand)],
            );
        }

        return $network->with(allocations: $others);
    }

    public function inverse(Network $before): array
    {
        return HoldSupply::putBack($before, $this->demand, $this->supply);
    }

    /** @return list<Allocation> */
    public static function others(Network $network, string $demand, string $supply): array
    {
        return array_values(array_filter(
            $network->allocations,
            fn (Allocation $held) => $held->demand !== $demand || $held->supply !== $supply,
        ));
    }
}
