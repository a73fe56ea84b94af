<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Whom a conversion would make wait, and the proposals that would prevent it; `left` lines wait even with those. */
final readonly class ConversionDelays
{
    /**
     * @param  list<ArrivalChangeRow>  $lines
     * @param  list<AlongRow>  $along
     */
    public function __construct(
        public array $lines,
        public array $along,
        public int $left,
    ) {
    }
}
