<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What is kept of one thing in a kind of data. */
final readonly class AboutTable
{
    /** @param  string  $by  the field that names the thing */
    public function __construct(public DataKind $kind, public string $by, public DataRecords $list)
    {
    }
}
