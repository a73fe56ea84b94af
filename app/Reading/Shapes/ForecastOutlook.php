<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** An item of a forecast over time, and how far what has passed was from what was ordered. */
final readonly class ForecastOutlook
{
    /**
     * @param  list<OutlookPeriod>  $periods
     * @param  int|null  $mape  tenths of a percent; null where nothing was ordered
     * @param  int|null  $bias  tenths of a percent; above zero it was forecast too high
     * @param  int  $passed  periods that have passed and had a forecast or an order
     * @param  bool  $isCounted  whether the live plan counts the forecast
     * @param  string|null  $trouble  why there are no balances
     */
    public function __construct(
        public string $item,
        public string $site,
        public string $name,
        public string $unit,
        public int $decimals,
        public array $periods,
        public ?int $mape,
        public ?int $bias,
        public int $passed,
        public bool $isCounted,
        public ?string $trouble,
    ) {
    }
}
