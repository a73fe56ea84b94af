<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/**
 * The first day on which all can be there, whom that would make late, and the first on which nobody is; ISO dates, null where none was
 * found.
 */
final readonly class EarliestDay
{
    /**
     * @param  list<string>  $hurts  sales lines and orders, those hurt most first
     */
    public function __construct(
        public ?string $day,
        public array $hurts,
        public ?string $harmless,
    ) {
    }
}
