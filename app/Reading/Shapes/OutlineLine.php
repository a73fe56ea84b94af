<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A line of a structure in its place under the item that is made of it. */
final readonly class OutlineLine
{
    /**
     * @param  int  $parent  id of the row above it; -1 at the top
     * @param  list<string>  $identity  what tells the line from the others
     * @param  array<string, string|int|bool|null>  $values  of the line, by property
     * @param  string  $qty  per one of what it goes into, as it is said
     * @param  bool  $hasLines  whether the component is made of something itself
     * @param  bool  $isDrafted  whether it is not written yet
     */
    public function __construct(
        public int $id,
        public int $parent,
        public int $level,
        public array $identity,
        public array $values,
        public string $item,
        public string $component,
        public string $name,
        public string $unit,
        public string $qty,
        public bool $isPhantom,
        public bool $isRetired,
        public bool $hasLines,
        public bool $isDrafted,
    ) {
    }
}
