<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * A place with its own stock and calendar; without a calendar every day works.
 */
final readonly class Site
{
    public function __construct(
        public string $code,
        public string $name,
        public ?string $calendar,
    ) {
    }
}
