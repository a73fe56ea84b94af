<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** How full work centres are over the periods that are shown. */
final readonly class LoadTable
{
    /**
     * @param  list<LoadPeriod>  $periods
     * @param  list<LoadGroup>  $groups
     * @param  int  $over  centres with more to do than they can in a period that is shown
     * @param  string|null  $earlier  first day of the periods before; null where there are none
     * @param  string|null  $later  first day of the periods behind
     */
    public function __construct(
        public array $periods,
        public array $groups,
        public int $over,
        public ?string $earlier,
        public ?string $later,
    ) {
    }
}
