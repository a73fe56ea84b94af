<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** An entry of the journal; what was committed can be undone as a whole. */
final readonly class JournalRow
{
    /**
     * @param  list<string>  $parts
     */
    public function __construct(
        public int $id,
        public string $at,
        public string $by,
        public string $sentence,
        public array $parts,
        public ?int $commit,
        public bool $undone,
    ) {
    }
}
