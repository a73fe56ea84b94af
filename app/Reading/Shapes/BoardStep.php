<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** An operation of a picked order. */
final readonly class BoardStep
{
    /**
     * @param  string  $units  numbers, `;` between; empty where it has no place
     * @param  int|null  $start  minute; null where it has no place
     * @param  list<string>  $centres  codes of those that can do it, its own first
     * @param  list<BoardReason>  $reasons  why it does not stand sooner, the strongest first
     */
    public function __construct(
        public int $op,
        public string $centre,
        public string $centreName,
        public string $units,
        public ?int $start,
        public ?int $end,
        public string $place,
        public int $crew,
        public array $centres,
        public array $reasons,
    ) {
    }
}
