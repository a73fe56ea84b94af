<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What was done with lines of a job, and the commit by which it is taken back. */
final readonly class JobWritten
{
    public function __construct(public string $text, public int $commit)
    {
    }
}
