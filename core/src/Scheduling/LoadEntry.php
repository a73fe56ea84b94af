<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/** What an operation of an order or a proposal takes of a centre in a period. */
final readonly class LoadEntry
{
    /** @param  int  $minutes  of all its units, in the period */
    public function __construct(public LaidWork $laid, public int $minutes)
    {
    }
}
