<?php

declare(strict_types=1);

namespace App\Planning\Shapes;

/** One stretch of a cover strip: stock, order, proposal, late or nothing. */
final readonly class StripPart
{
    public function __construct(
        public string $kind,
        public int $share,
        public string $qty,
    ) {
    }
}
