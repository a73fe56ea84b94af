<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What was done with a person's way in. */
final readonly class PersonKept
{
    /** @param  string|null  $password  told once; null where none was made */
    public function __construct(public string $message, public ?string $password)
    {
    }
}
