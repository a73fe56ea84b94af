<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What may stand for a component in an order; the ratio is how much of it stands for one of the component, a decimal as text. */
final readonly class SubstituteChoice
{
    public function __construct(
        public string $item,
        public string $name,
        public string $ratio,
    ) {
    }
}
