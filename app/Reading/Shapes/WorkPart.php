<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A component of an order on a work list, by its line. */
final readonly class WorkPart
{
    public function __construct(public string $line, public string $item, public string $name)
    {
    }
}
