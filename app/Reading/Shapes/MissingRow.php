<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Material that someone misses on an order until a day; ISO date. */
final readonly class MissingRow
{
    public function __construct(
        public int $id,
        public string $order,
        public string $line,
        public string $item,
        public string $name,
        public string $until,
        public string $note,
        public string $by,
        public string $at,
    ) {
    }
}
