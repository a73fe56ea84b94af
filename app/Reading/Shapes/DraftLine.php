<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A line of a draft: what it says, what it does on top of the lines above it, and why it does not fit any more. */
final readonly class DraftLine
{
    /**
     * @param  list<string>  $parts
     * @param  list<DraftFigure>  $figures
     * @param  list<string>  $notes
     */
    public function __construct(
        public int $id,
        public string $kind,
        public string $sentence,
        public array $parts,
        public array $figures,
        public array $notes,
        public ?string $trouble,
        public bool $moved,
        public bool $may,
    ) {
    }
}
