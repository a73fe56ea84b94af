<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\GridFigure;
use App\Reading\Shapes\CodeAndName;
use App\Reading\Shapes\GridRow;
use Yposta\Core\Network\BucketSize;

/** Every planning point over the periods; periods begin on ISO dates. */
final readonly class PlanPage extends Page
{
    /**
     * @param  list<string>  $periods
     * @param  list<GridRow>  $rows
     * @param  list<CodeAndName>  $suppliers
     * @param  array{
     *     q: string, supply: string, supplier: string, trouble: string, sort: string, bucket: value-of<BucketSize>, as: 'expected'|'needed',
     *     show: value-of<GridFigure>
     * }  $filter
     */
    public function __construct(
        public bool $planned,
        public array $periods,
        public array $rows,
        public int $total,
        public int $inTrouble,
        public int $points,
        public array $suppliers,
        public array $filter,
    ) {
    }
}
