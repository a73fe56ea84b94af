<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What was posted, in words, and the commit that can be undone. */
final readonly class Posted
{
    public function __construct(public string $message, public int $commit)
    {
    }
}
