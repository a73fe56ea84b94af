<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A request that purchasing gave back. */
final readonly class GivenBack
{
    public function __construct(
        public string $code,
        public string $item,
        public string $site,
        public string $reason,
        public string $by,
        public string $at,
    ) {
    }
}
