<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** One stretch of a cover strip: stock, order, proposal, late or nothing. */
final readonly class StripPart
{
    public function __construct(
        public CoverKind $kind,
        public int $share,
        public string $qty,
    ) {
    }
}
