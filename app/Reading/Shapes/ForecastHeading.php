<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Network\BucketSize;

/** A forecast: what it is for, the days that it speaks of, and what most of its figures are kept in. */
final readonly class ForecastHeading
{
    /** @param  bool  $isCounted  whether the live plan counts it */
    public function __construct(
        public string $code,
        public string $purpose,
        public ?string $begins,
        public ?string $ends,
        public BucketSize $bucket,
        public bool $isCounted,
    ) {
    }
}
