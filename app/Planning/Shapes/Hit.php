<?php

declare(strict_types=1);

namespace App\Planning\Shapes;

/** Something found by the search. */
final readonly class Hit
{
    public function __construct(
        public string $kind,
        public string $label,
        public string $note,
        public string $href,
    ) {
    }
}
