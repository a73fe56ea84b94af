<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** The supply in which a delay begins; ISO date. */
final readonly class ThreadBeginning
{
    public function __construct(
        public string $reference,
        public string $name,
        public string $item,
        public string $due,
        public ?string $href,
        public bool $isOrder,
    ) {
    }
}
