<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** How a need is covered. Shares are parts of 1000; quantities are decimals as text. */
final readonly class Strip
{
    /**
     * @param  list<StripPart>  $parts
     */
    public function __construct(
        public array $parts,
        public ?string $complete,
        public bool $tooLate,
        public string $unit,
    ) {
    }
}
