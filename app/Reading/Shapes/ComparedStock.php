<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** The average value of the projected stock of an item in two plans. */
final readonly class ComparedStock
{
    public function __construct(
        public string $item,
        public string $name,
        public string $site,
        public string $before,
        public string $after,
        public string $change,
        public bool $more,
    ) {
    }
}
