<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A page of the needs that were asked for, over the days on which they bite. */
final readonly class ShortageList
{
    /**
     * @param  list<ShortageRow>  $rows
     * @param  list<ShortageGroup>  $groups  of the rows of this page
     * @param  int  $total  rows of all pages
     * @param  int  $needs  that these are of; under customers a need may stand twice
     * @param  list<ShortageDay>  $days  of the whole window
     * @param  ShortageRow|null  $opened  the one that was asked for by its identity, as it is now
     */
    public function __construct(
        public array $rows,
        public array $groups,
        public int $total,
        public int $needs,
        public int $components,
        public int $orders,
        public array $days,
        public ?ShortageRow $opened,
    ) {
    }
}
