<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * Quantity on hand, in millionths.
 */
final readonly class Stock
{
    public function __construct(
        public string $item,
        public string $site,
        public int $qty,
    ) {
    }
}
