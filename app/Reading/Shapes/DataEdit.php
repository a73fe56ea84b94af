<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What one new value does to some rows of master data. */
final readonly class DataEdit
{
    /**
     * @param  int  $count  rows that differ then
     * @param  list<DataEdited>  $some  the first of them
     * @param  string|null  $change  as a draft takes it, as JSON; null where nothing differs
     */
    public function __construct(public int $count, public array $some, public ?string $change)
    {
    }
}
