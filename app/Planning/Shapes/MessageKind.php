<?php

declare(strict_types=1);

namespace App\Planning\Shapes;

/** How many messages there are of a kind. */
final readonly class MessageKind
{
    public function __construct(
        public string $code,
        public string $label,
        public int $count,
    ) {
    }
}
