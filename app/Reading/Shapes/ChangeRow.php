<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A change of data since the plan was made. */
final readonly class ChangeRow
{
    public function __construct(
        public string $text,
        public string $by,
        public string $at,
    ) {
    }
}
