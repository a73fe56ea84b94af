<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Network\OrderKind;

/** A planning point in the plan grid. */
final readonly class GridRow
{
    /**
     * @param  list<GridCell>  $cells
     */
    public function __construct(
        public string $item,
        public string $site,
        public string $name,
        public string $unit,
        public int $decimals,
        public int $level,
        public OrderKind $supply,
        public ?string $troubleFrom,
        public array $cells,
    ) {
    }
}
