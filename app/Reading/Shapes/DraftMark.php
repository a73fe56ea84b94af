<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What a draft makes of something that stands in a list, by its reference; null where it stays. */
final readonly class DraftMark
{
    public function __construct(
        public string $reference,
        public ?string $due,
        public ?string $qty,
        public string $text,
    ) {
    }
}
