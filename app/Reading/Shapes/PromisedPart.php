<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** So much by a day. */
final readonly class PromisedPart
{
    public function __construct(public string $qty, public string $day)
    {
    }
}
