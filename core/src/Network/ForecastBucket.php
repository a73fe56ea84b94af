<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * A forecast for one day, ISO week or month. `start` is a day number, `qty` in millionths.
 */
final readonly class ForecastBucket
{
    use Changeable;

    public function __construct(
        public string $forecast,
        public string $item,
        public string $site,
        public BucketSize $bucket,
        public int $start,
        public int $qty,
    ) {
    }
}
