<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Network\BucketSize;

/** A forecast of an item at a site over the periods of its list. */
final readonly class ForecastRow
{
    /**
     * @param  BucketSize  $bucket  what its figures are kept in
     * @param  bool  $isTyped  whether they are shown as they are kept, and so can be typed over
     * @param  list<string>  $qty  by period
     * @param  list<string>  $consumed  by orders
     * @param  list<string>  $left
     * @param  list<int>  $versions  of what is kept; 0 where there is nothing
     */
    public function __construct(
        public string $item,
        public string $site,
        public string $name,
        public string $unit,
        public int $decimals,
        public BucketSize $bucket,
        public bool $isTyped,
        public array $qty,
        public array $consumed,
        public array $left,
        public array $versions,
    ) {
    }
}
