<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A change as a sentence, and its fields as JSON. */
final readonly class StudyChange
{
    public function __construct(
        public string $text,
        public string $fields,
    ) {
    }
}
