<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Stock that nobody may use, or that the books owe. Quantities are decimals. */
final readonly class BlockedStock
{
    /** @param  string  $why  for which it was blocked last */
    public function __construct(
        public string $item,
        public string $name,
        public string $site,
        public string $unit,
        public int $decimals,
        public string $blocked,
        public string $owed,
        public string $why,
    ) {
    }
}
