<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Whom or what a number is linked to. */
final readonly class ExplanationPeg
{
    public function __construct(
        public Link $what,
        public string $note,
        public string $qty,
    ) {
    }
}
