<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** How many rows there are of a kind of master data. */
final readonly class DataCount
{
    public function __construct(public string $kind, public string $title, public int $count)
    {
    }
}
