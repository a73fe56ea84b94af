<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A proposal that should be converted together with others, so that nobody has to wait. */
final readonly class AlongRow
{
    public function __construct(
        public int $number,
        public string $item,
        public string $name,
        public string $qty,
        public string $unit,
        public string $due,
    ) {
    }
}
