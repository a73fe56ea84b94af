<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A need that waits for what an order brings, and to which it can go straight. */
final readonly class WaitingNeed
{
    public function __construct(public string $reference, public string $label, public string $qty)
    {
    }
}
