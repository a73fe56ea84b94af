<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A total with and without a draft, as text; worse and better as a planner sees it. */
final readonly class DraftFigure
{
    public function __construct(
        public string $name,
        public string $label,
        public string $before,
        public string $after,
        public string $change,
        public bool $worse,
        public bool $better,
    ) {
    }
}
