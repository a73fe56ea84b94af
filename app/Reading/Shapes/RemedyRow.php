<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Remedy\RemedyKind;

/** One way out of a shortage and what it does; changes are the JSON of what would be drafted. */
final readonly class RemedyRow
{
    /**
     * @param  list<DraftFigure>  $figures
     * @param  list<string>  $hurt
     * @param  string|null  $room  that it helps the material and the shop has no room for it; null where it has, or its dates count anyway
     */
    public function __construct(
        public RemedyKind $kind,
        public string $title,
        public string $note,
        public bool $solves,
        public ?string $expected,
        public array $figures,
        public array $hurt,
        public int $moreLate,
        public string $changes,
        public string $letter,
        public ?string $room,
    ) {
    }
}
