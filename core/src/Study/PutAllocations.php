<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\RowsOf;
use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\Network;

/** Puts back what was held, in its order. */
final readonly class PutAllocations implements Change
{
    /** @param  list<Allocation>  $held */
    public function __construct(#[RowsOf(Allocation::class)] public array $held)
    {
    }

    public function apply(Network $network): Network
    {
        return $network->with(allocations: $this->held);
    }

    public function inverse(Network $before): array
    {
        return [new self($before->allocations)];
    }
}
