<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What serves a need, how much and from when on. */
final readonly class AskedCover
{
    public function __construct(
        public string $label,
        public string $qty,
        public bool $late,
        public ?string $href,
    ) {
    }
}
