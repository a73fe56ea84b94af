<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A filter that a person keeps by name. */
final readonly class SavedView
{
    public function __construct(
        public string $name,
        public string $query,
    ) {
    }
}
