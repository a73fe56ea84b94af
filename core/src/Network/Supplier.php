<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * Someone who sells; with a calendar of its own its lead times run in that.
 */
final readonly class Supplier
{
    public function __construct(
        public string $code,
        public string $name,
        public ?string $calendar,
        public string $currency,
    ) {
    }
}
