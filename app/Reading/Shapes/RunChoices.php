<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Network\BucketSize;

/** All that can be chosen for a run. */
final readonly class RunChoices
{
    /**
     * @param  string|null  $horizonEnd  ISO date of the last day; null for the usual one
     * @param  list<'sales'|'forecast'>  $demand
     * @param  list<'stock'|'purchase'|'production'|'transfer'>  $supply
     * @param  list<string>  $forecasts
     * @param  list<string>|null  $sites  null for all
     * @param  bool  $soldOnly  only what is sold or forecast, and what goes into it
     * @param  list<string>  $families  only what is of one of them, or one of the items, and what goes into it; where there are any
     * @param  list<string>  $items
     */
    public function __construct(
        public ?string $horizonEnd,
        public BucketSize $bucket,
        public array $demand,
        public array $supply,
        public array $forecasts,
        public bool $consume,
        public int $consumeBackDays,
        public int $consumeForwardDays,
        public bool $spread,
        public ?array $sites,
        public bool $soldOnly,
        public array $families,
        public array $items,
        public bool $calendars,
        public bool $pegByPriority,
        public bool $safetyStock,
        public int $bringInDays,
        public int $pushOutDays,
        public bool $schedule,
        public int $scheduleDays,
    ) {
    }
}
