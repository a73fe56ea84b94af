<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** So much of a figure's difference, with its sign. */
final readonly class WhyShare
{
    public function __construct(public string $figure, public string $share, public bool $worse, public bool $better)
    {
    }
}
