<?php

declare(strict_types=1);

namespace App\Planning\Shapes;

/** Where a number comes from. */
final readonly class Answer
{
    /**
     * @param  list<AnswerLine>  $lines
     * @param  list<AnswerPeg>  $pegs
     */
    public function __construct(
        public string $title,
        public array $lines,
        public string $pegsTitle,
        public array $pegs,
    ) {
    }
}
