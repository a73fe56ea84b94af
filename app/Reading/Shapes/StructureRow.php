<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A line of a structure, up or down. */
final readonly class StructureRow
{
    public function __construct(
        public string $item,
        public string $site,
        public string $name,
        public int $level,
        public string $qty,
        public string $unit,
        public string $note,
    ) {
    }
}
