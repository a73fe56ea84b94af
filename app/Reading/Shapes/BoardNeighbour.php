<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What an order of the board waits for, or what waits for it. */
final readonly class BoardNeighbour
{
    /**
     * @param  string|null  $of  by which the board asks for it; null where it is not on it
     * @param  string|null  $href  of its page
     * @param  string  $when  in words: a day, or how late
     */
    public function __construct(
        public ?string $of,
        public string $label,
        public string $note,
        public string $when,
        public bool $isLate,
        public ?string $href,
    ) {
    }
}
