<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What availability can be asked of: an open order, a sales line, an item at a site. `of` is its reference. */
final readonly class Subject
{
    public function __construct(
        public string $of,
        public string $label,
        public string $note,
    ) {
    }
}
