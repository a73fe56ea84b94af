<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Kinds of master data that belong together. */
final readonly class DataShelf
{
    /** @param  list<DataCount>  $kinds */
    public function __construct(public string $title, public array $kinds)
    {
    }
}
