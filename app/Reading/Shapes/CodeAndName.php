<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A code and what it stands for. */
final readonly class CodeAndName
{
    public function __construct(
        public string $code,
        public string $name,
    ) {
    }
}
