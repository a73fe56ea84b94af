<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\ForecastHeading;
use App\Reading\Shapes\ForecastPeriod;
use App\Reading\Shapes\ForecastRow;
use App\Reading\Shapes\SalesRow;
use App\Reading\Shapes\SavedView;

/** Sales lines or a forecast. */
final readonly class DemandPage extends Page
{
    /**
     * @param  array{view: 'sales'|'forecast', q: string, late: string, forecast: string, size: ''|'day'|'week'|'month', sort: string, by: ''|'customer'|'item'|'week'|'site'}  $filter
     * @param  list<SalesRow>  $sales
     * @param  list<ForecastHeading>  $forecasts
     * @param  list<ForecastPeriod>  $periods
     * @param  'day'|'week'|'month'  $bucket  what the periods are
     * @param  list<ForecastRow>  $rows
     * @param  list<SavedView>  $views
     */
    public function __construct(
        public array $filter,
        public array $sales,
        public int $total,
        public int $late,
        public array $forecasts,
        public array $periods,
        public string $bucket,
        public array $rows,
        public int $allRows,
        public array $views,
    ) {
    }
}
