<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Another sales line whose delay begins in the same supply. */
final readonly class ThreadOther
{
    public function __construct(
        public Link $line,
        public int $days,
    ) {
    }
}
