<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\PointDetail;
use Yposta\Core\Network\BucketSize;

/** An item at one of the sites that plan it. */
final readonly class ItemPage extends Page
{
    /**
     * @param  list<string>  $plannedAt
     * @param  array{
     *     q: string, supply: string, supplier: string, trouble: string, sort: string, bucket: value-of<BucketSize>, as: 'expected'|'needed'
     * }  $filter
     */
    public function __construct(
        public string $item,
        public ?PointDetail $detail,
        public array $plannedAt,
        public array $filter,
    ) {
    }
}
