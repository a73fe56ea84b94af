<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Network\BucketSize;

/** A forecast of an item at a site over its buckets. */
final readonly class ForecastRow
{
    /**
     * @param  list<ForecastCell>  $cells
     */
    public function __construct(
        public string $forecast,
        public string $item,
        public string $site,
        public string $name,
        public string $unit,
        public int $decimals,
        public BucketSize $bucket,
        public array $cells,
    ) {
    }
}
