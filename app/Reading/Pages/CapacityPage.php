<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\SavedView;
use Yposta\Core\Network\BucketSize;

/** The load of work centres; what fills them is worked out with the person's draft and comes after the page. */
final readonly class CapacityPage extends Page
{
    /**
     * @param  array{bucket: value-of<BucketSize>, as: 'percent'|'hours', from: string, kind: ''|'orders'|'proposals', over: ''|'1', q: string}  $filter
     * @param  list<SavedView>  $views
     */
    public function __construct(
        public array $filter,
        public bool $planned,
        public array $views,
    ) {
    }
}
