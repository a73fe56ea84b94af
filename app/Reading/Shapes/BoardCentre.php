<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A work centre on the board. */
final readonly class BoardCentre
{
    /** @param  list<BoardStretch>  $open  when units are on, within the window */
    public function __construct(public string $code, public string $name, public string $site, public int $units, public array $open)
    {
    }
}
