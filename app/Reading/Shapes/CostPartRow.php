<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What a component adds to the cost of one. */
final readonly class CostPartRow
{
    /** @param  int  $share  in tenths of a percent */
    public function __construct(
        public string $component,
        public string $name,
        public string $qty,
        public string $unit,
        public string $each,
        public string $cost,
        public int $share,
        public bool $isRolled,
    ) {
    }
}
