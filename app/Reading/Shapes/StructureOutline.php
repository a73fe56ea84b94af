<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What an item is made of, with what the draft has changed of it, and what it goes into. */
final readonly class StructureOutline
{
    /**
     * @param  list<OutlineLine>  $lines  each after the one above it
     * @param  list<DataEdited>  $usedIn  items that it goes into, and how much of it
     * @param  bool  $isCut  whether there are more lines than are shown
     */
    public function __construct(public string $item, public string $name, public array $lines, public array $usedIn, public bool $isCut)
    {
    }
}
