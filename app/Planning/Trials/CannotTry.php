<?php

declare(strict_types=1);

namespace App\Planning\Trials;

use RuntimeException;

/** Nothing can be tried as asked; the message says why, for the person who asked. */
final class CannotTry extends RuntimeException
{
    public function __construct(string $message, public readonly string $reason = 'refused')
    {
        parent::__construct($message);
    }
}
