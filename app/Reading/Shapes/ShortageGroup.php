<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A heading of the list of shortages, with all that stands under it, also what is not on the page. */
final readonly class ShortageGroup
{
    public function __construct(
        public string $key,
        public string $label,
        public string $note,
        public int $rows,
    ) {
    }
}
