<?php

declare(strict_types=1);

namespace App\Planning\Shapes;

/** One way out of a shortage and what it does; changes are the JSON of what would be drafted. */
final readonly class RemedyRow
{
    /**
     * @param  list<DraftFigure>  $figures
     * @param  list<string>  $hurt
     */
    public function __construct(
        public string $kind,
        public string $title,
        public string $note,
        public bool $solves,
        public ?string $expected,
        public array $figures,
        public array $hurt,
        public string $changes,
        public string $letter,
    ) {
    }
}
