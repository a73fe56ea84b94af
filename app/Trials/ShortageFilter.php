<?php

declare(strict_types=1);

namespace App\Trials;

/** Which needs of the plan are asked for, and how they stand. */
final readonly class ShortageFilter
{
    /** Rows that come at once. */
    public const PAGE = 100;

    /**
     * @param  int  $days  of the window, calendar days from the plan date
     * @param  string  $from  first day of those picked, ISO; empty for all of the window
     * @param  string  $to  last of them
     * @param  string  $state  of {@see \Yposta\Core\Shortage\NeedState}; empty for all that is not covered
     * @param  string  $by  day, component, order or customer
     * @param  int  $rows  at the most
     * @param  string  $open  identity of a need that is told beside the list, whatever is filtered
     */
    public function __construct(
        public int $days,
        public string $site = '',
        public string $from = '',
        public string $to = '',
        public string $state = '',
        public string $by = 'day',
        public string $q = '',
        public int $offset = 0,
        public string $open = '',
        public int $rows = self::PAGE,
    ) {
    }
}
