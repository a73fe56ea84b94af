<?php

declare(strict_types=1);

namespace Yposta\Core\Structure;

/** What a component adds to the cost of one: its quantity with scrap, what one of it costs, and the product; all in millionths. */
final readonly class CostPart
{
    public function __construct(
        public string $line,
        public string $component,
        public int $qty,
        public int $each,
        public int $cost,
    ) {
    }
}
