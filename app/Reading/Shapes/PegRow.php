<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/**
 * A need in the pegging list, down to what serves it or up to whom it is for. Dates are ISO dates; `holdUp` marks the chain that decides
 * the date.
 */
final readonly class PegRow
{
    /**
     * @param  list<Link>  $servedBy
     */
    public function __construct(
        public int $level,
        public string $item,
        public string $site,
        public string $name,
        public Link $what,
        public string $qty,
        public string $unit,
        public ?string $needed,
        public ?string $expected,
        public int $lateDays,
        public ?Strip $strip,
        public array $servedBy,
        public bool $holdUp,
        public bool $repeated,
    ) {
    }
}
