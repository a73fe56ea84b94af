<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Something was done; what is said about it. */
final readonly class Told
{
    public function __construct(
        public string $message,
    ) {
    }
}
