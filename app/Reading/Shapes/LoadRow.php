<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A work centre over the periods that are shown. */
final readonly class LoadRow
{
    /** @param  list<LoadFigure>  $figures  by period */
    public function __construct(public string $centre, public string $name, public int $units, public array $figures)
    {
    }
}
