<?php

declare(strict_types=1);

namespace App\Trials;

use Yposta\Core\Network\BucketSize;

/** Which load is asked for, and over which time. */
final readonly class LoadFilter
{
    /**
     * @param  value-of<BucketSize>  $bucket
     * @param  string  $from  a day of the first period that is shown, ISO; empty for the plan date
     * @param  string  $kind  orders or proposals; empty for both
     * @param  string  $q  item, order or customer; what does not match counts for nothing
     * @param  bool  $over  only centres that have more to do than they can in a period that is shown
     */
    public function __construct(
        public string $bucket = 'week',
        public string $from = '',
        public string $site = '',
        public string $kind = '',
        public string $q = '',
        public bool $over = false,
    ) {
    }
}
