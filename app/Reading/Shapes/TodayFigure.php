<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A figure against that of the plan before. */
final readonly class TodayFigure
{
    /** @param  string  $name  by which it is asked why it is another than before */
    public function __construct(
        public string $name,
        public string $label,
        public string $value,
        public ?string $change,
        public bool $worse,
    ) {
    }
}
