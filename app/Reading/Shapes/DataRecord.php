<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A row of master data. */
final readonly class DataRecord
{
    /**
     * @param  list<string>  $identity  what tells it from the others
     * @param  string  $record  the name under which its history is kept
     * @param  array<string, string|int|bool|null>  $values  by property
     */
    public function __construct(public array $identity, public string $record, public array $values)
    {
    }
}
