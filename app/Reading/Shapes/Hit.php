<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Something found by the search. */
final readonly class Hit
{
    public function __construct(
        public HitKind $kind,
        public string $label,
        public string $note,
        public string $href,
    ) {
    }
}
