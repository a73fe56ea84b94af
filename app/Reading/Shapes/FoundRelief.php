<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What would make a work centre less full, how full it is then, and what it costs others: what is compared first stands first. */
final readonly class FoundRelief
{
    /** @param  list<int>  $cost */
    public function __construct(public RemedyRow $row, public LoadFigure $figure, public array $cost)
    {
    }
}
