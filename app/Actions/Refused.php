<?php

declare(strict_types=1);

namespace App\Actions;

use RuntimeException;

/** An action that cannot be done; the message says what happened and what was kept, for the person who asked. */
final class Refused extends RuntimeException
{
    /** @param  array<string, mixed>  $details  what the interface may want to show or ask */
    public function __construct(string $message, public readonly string $reason = 'refused', public readonly array $details = [])
    {
        parent::__construct($message);
    }
}
