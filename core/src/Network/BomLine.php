<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * One component of an item. `qty` and `baseQty` in millionths, `scrap` in millionths of a percent, validity as day numbers, both inclusive.
 */
final readonly class BomLine
{
    public function __construct(
        public string $item,
        public ?string $site,
        public string $line,
        public string $component,
        public int $qty,
        public Basis $basis,
        public int $baseQty,
        public int $scrap,
        public int $offsetDays,
        public ?int $validFrom,
        public ?int $validTo,
        public ?int $op,
    ) {
    }
}
