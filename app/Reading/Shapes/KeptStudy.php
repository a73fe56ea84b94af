<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A draft that was kept as a study, and the run that plans it. */
final readonly class KeptStudy
{
    public function __construct(
        public int $study,
        public string $name,
        public int $run,
    ) {
    }
}
