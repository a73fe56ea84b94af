<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What a bought part is needed for over all levels against what there is. Quantities are decimals as text. */
final readonly class GrossRow
{
    public function __construct(
        public string $item,
        public string $name,
        public string $site,
        public string $unit,
        public string $qty,
        public string $stock,
        public string $incoming,
        public string $missing,
    ) {
    }
}
