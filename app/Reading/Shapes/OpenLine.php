<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A line of an order of which something is still to come. */
final readonly class OpenLine
{
    /** @param  string  $due  ISO date */
    public function __construct(public string $code, public string $qty, public string $received, public string $due)
    {
    }
}
