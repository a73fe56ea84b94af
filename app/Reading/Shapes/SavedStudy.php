<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A study that was saved, and the run that plans it if it was to be planned. */
final readonly class SavedStudy
{
    public function __construct(
        public int $id,
        public ?int $run,
    ) {
    }
}
