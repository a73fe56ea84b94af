<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Run\SupplyKind;

/** What serves a promise, and since when it is there. */
final readonly class PromiseSource
{
    /** @param  string|null  $start  when it is begun or ordered; null for stock */
    public function __construct(
        public SupplyKind $kind,
        public string $label,
        public string $qty,
        public ?string $start,
        public string $day,
        public ?string $href,
    ) {
    }
}
