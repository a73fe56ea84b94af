<?php

declare(strict_types=1);

namespace App\Planning\Shapes;

/** A line of the arithmetic behind a number. `tone` is plain, sum, mute or broken. */
final readonly class AnswerLine
{
    public function __construct(
        public string $text,
        public ?string $qty,
        public string $tone,
    ) {
    }
}
