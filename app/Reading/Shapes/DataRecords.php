<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Some rows of a kind of master data. */
final readonly class DataRecords
{
    /** @param  list<DataRecord>  $rows */
    public function __construct(public array $rows, public int $total)
    {
    }
}
