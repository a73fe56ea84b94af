<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A table that is brought, held against what stands. */
final readonly class BroughtRows
{
    /**
     * @param  list<BroughtColumn>  $columns
     * @param  bool  $hasHead  whether its first row names them
     * @param  string|null  $decimal  `point` or `comma`, what its numbers part their decimals with; null where they do not tell
     * @param  string|null  $ambiguous  a number that can be read in two ways
     * @param  list<BroughtRow>  $rows  the first of those that are wrong, changed or new
     * @param  list<string>  $missing  what has no column yet and is needed
     */
    public function __construct(
        public array $columns,
        public bool $hasHead,
        public ?string $decimal,
        public ?string $ambiguous = null,
        public int $new = 0,
        public int $changed = 0,
        public int $same = 0,
        public int $wrong = 0,
        public array $rows = [],
        public array $missing = [],
    ) {
    }
}
