<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A forecast bucket: forecast, consumed by orders, left. */
final readonly class ForecastCell
{
    public function __construct(
        public ?int $id,
        public string $start,
        public string $qty,
        public string $consumed,
        public string $left,
        public int $version,
    ) {
    }
}
