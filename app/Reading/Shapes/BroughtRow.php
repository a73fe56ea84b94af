<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A row of a table that is brought. */
final readonly class BroughtRow
{
    /** @param  string  $what  differs, or is wrong */
    public function __construct(public int $line, public RowFate $fate, public string $row, public string $what)
    {
    }
}
