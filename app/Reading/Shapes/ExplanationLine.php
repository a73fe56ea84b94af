<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A line of the arithmetic behind a number. `tone` is plain, sum, mute or broken. */
final readonly class ExplanationLine
{
    public function __construct(
        public string $text,
        public ?string $qty,
        public Tone $tone,
    ) {
    }
}
