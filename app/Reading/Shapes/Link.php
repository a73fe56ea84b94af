<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Something with a page of its own, and what to call it. */
final readonly class Link
{
    public function __construct(
        public string $label,
        public ?string $href,
    ) {
    }
}
