<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\ForecastRow;
use App\Reading\Shapes\SalesRow;
use App\Reading\Shapes\SavedView;

/** Sales lines or a forecast. */
final readonly class DemandPage extends Page
{
    /**
     * @param  array{view: 'sales'|'forecast', q: string, late: string, forecast: string, sort: string, by: ''|'customer'|'item'|'week'|'site'}  $filter
     * @param  list<SalesRow>  $sales
     * @param  list<string>  $forecasts
     * @param  list<ForecastRow>  $rows
     * @param  list<SavedView>  $views
     */
    public function __construct(
        public array $filter,
        public array $sales,
        public int $total,
        public int $late,
        public array $forecasts,
        public array $rows,
        public int $allRows,
        public bool $counted,
        public array $views,
    ) {
    }
}
