<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A column of a table that is brought. */
final readonly class BroughtColumn
{
    /**
     * @param  string  $head  empty where the table has none
     * @param  string  $field  the property that it fills; empty where it is left out
     * @param  list<string>  $samples
     */
    public function __construct(public string $head, public string $field, public array $samples)
    {
    }
}
