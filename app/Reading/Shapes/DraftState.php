<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A draft as its tray shows it. */
final readonly class DraftState
{
    /**
     * @param  list<DraftLine>  $lines
     * @param  list<DraftFigure>  $figures
     * @param  list<ArrivalChangeRow>  $slips
     * @param  array<string, DraftedArrival>  $expected  when what it moves is there, by reference
     * @param  string|null  $broken  that the data cannot be planned, so that nobody knows what the draft does; it can be committed
     */
    public function __construct(
        public int $version,
        public array $lines,
        public array $figures,
        public array $slips,
        public bool $canUndo,
        public bool $canRedo,
        public int $troubles,
        public array $expected = [],
        public ?string $broken = null,
    ) {
    }
}
