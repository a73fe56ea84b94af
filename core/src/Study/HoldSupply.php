<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\Network;

/** Holds so much of a stock or an open order for a demand (references as in section 9). What it held before for that pair is replaced. */
final readonly class HoldSupply implements Change
{
    public function __construct(public string $demand, public string $supply, public int $qty)
    {
    }

    public function apply(Network $network): Network
    {
        if ($this->qty <= 0) {
            throw new DoesNotFit('a quantity above 0 is held, or none');
        }
        if (! preg_match('/^(stock|order):/', $this->supply) || preg_match('/^(part|out):proposal:/', $this->demand)) {
            throw new DoesNotFit('only stock and open orders can be held, and not for a proposal');
        }

        return $network->with(allocations: [...FreeSupply::others($network, $this->demand, $this->supply), new Allocation($this->demand, $this->supply, $this->qty)]);
    }

    public function inverse(Network $before): array
    {
        return [new PutAllocations($before->allocations)];
    }
}
