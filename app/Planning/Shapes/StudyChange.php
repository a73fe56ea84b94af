<?php

declare(strict_types=1);

namespace App\Planning\Shapes;

/** A change as a sentence, and its fields as JSON. */
final readonly class StudyChange
{
    public function __construct(
        public string $text,
        public string $fields,
    ) {
    }
}
