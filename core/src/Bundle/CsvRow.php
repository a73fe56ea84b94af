<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

/** One row of a CSV file as text. */
final readonly class CsvRow
{
    /** @param  array<string, string>  $values  by column */
    public function __construct(public int $line, public array $values)
    {
    }
}
