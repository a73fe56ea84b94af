<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * A component that may stand in for another in an item's structure. `ratio` in millionths of the component's quantity.
 */
final readonly class Substitute
{
    public function __construct(
        public string $item,
        public string $component,
        public string $substitute,
        public int $ratio,
        public int $rank,
    ) {
    }
}
