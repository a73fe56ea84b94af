<?php

declare(strict_types=1);

namespace App\Outside;

/** Keys of commands that the outside gives: each is given once. */
final class Key
{
    public static function fresh(): string
    {
        return bin2hex(random_bytes(16));
    }
}
