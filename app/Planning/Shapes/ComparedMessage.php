<?php

declare(strict_types=1);

namespace App\Planning\Shapes;

/** A message in two plans. */
final readonly class ComparedMessage
{
    public function __construct(
        public string $kind,
        public string $code,
        public string $about,
        public string $item,
        public string $site,
        public string $before,
        public string $after,
    ) {
    }
}
