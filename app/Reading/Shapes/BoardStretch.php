<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A time in which units of a work centre are on. */
final readonly class BoardStretch
{
    /** @param  list<int>|null  $units  numbers; null for all */
    public function __construct(public int $from, public int $to, public ?array $units)
    {
    }
}
