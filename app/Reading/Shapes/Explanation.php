<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Where a number comes from. */
final readonly class Explanation
{
    /**
     * @param  list<ExplanationLine>  $lines
     * @param  list<ExplanationPeg>  $pegs
     */
    public function __construct(
        public string $title,
        public array $lines,
        public string $pegsTitle,
        public array $pegs,
    ) {
    }
}
