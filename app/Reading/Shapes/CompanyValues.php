<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What holds for the whole company. */
final readonly class CompanyValues
{
    /**
     * @param  string  $currency  of costs and prices, as ISO 4217 has it; empty where nobody has said
     * @param  string  $timeZone  in which its days begin, as the zone database names it
     * @param  string  $calendar  that a new site begins with; empty for none
     * @param  'point'|'comma'  $numbers  what parts the decimals
     * @param  int  $overPercent  of what was ordered by which more may be received
     * @param  bool  $holdOnRelease  whether an order that is released holds what the plan gives it
     * @param  bool  $countUnsent  whether purchases that were not sent cover anything in the list of shortages
     * @param  bool  $belowZero  whether more may be taken than the books have, once somebody has said so
     */
    public function __construct(
        public string $name,
        public string $address,
        public string $currency,
        public string $timeZone,
        public string $calendar,
        public string $numbers,
        public int $overPercent,
        public bool $holdOnRelease,
        public bool $countUnsent,
        public bool $belowZero,
    ) {
    }
}
