<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A row of master data with what of it differs. */
final readonly class DataEdited
{
    public function __construct(public string $row, public string $what)
    {
    }
}
