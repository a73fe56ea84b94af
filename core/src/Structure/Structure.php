<?php

declare(strict_types=1);

namespace Yposta\Core\Structure;

use Yposta\Core\Network\Network;

/**
 * The planning points of a network and how they hang together: components, sources, low-level codes.
 */
final readonly class Structure
{
    /**
     * @param  list<Point>  $points
     * @param  array<string, int>  $indexes  place of a point by {@see Network::key()}
     * @param  array<int, list<ComponentLine>>  $components  of each point that has a structure, in the order of the lines
     * @param  list<int>  $netting  points in the order in which they are netted: low-level code, item, site
     */
    public function __construct(
        public array $points,
        public array $indexes,
        public array $components,
        public array $netting,
    ) {
    }

    public function find(string $item, string $site): ?Point
    {
        $index = $this->indexes[Network::key($item, $site)] ?? null;

        return $index === null ? null : $this->points[$index];
    }
}
