<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A total of two plans. */
final readonly class ComparedFigure
{
    public function __construct(
        public string $label,
        public string $before,
        public string $after,
        public ?string $change,
        public bool $worse,
        public bool $better,
    ) {
    }
}
