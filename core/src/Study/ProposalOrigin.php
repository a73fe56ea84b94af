<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

/** The proposal that an order comes from: its run, as an application counts them, and its number there. */
final readonly class ProposalOrigin
{
    public function __construct(public int $run, public int $number)
    {
    }
}
