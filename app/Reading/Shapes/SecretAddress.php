<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** An address that is told once. */
final readonly class SecretAddress
{
    public function __construct(public string $address, public string $message)
    {
    }
}
