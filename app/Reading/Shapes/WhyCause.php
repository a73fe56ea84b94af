<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Something that made a figure another one. */
final readonly class WhyCause
{
    /**
     * @param  string  $by  who did it; empty where nobody did
     * @param  string|null  $at  ISO date and time
     * @param  string  $share  of the difference, with its sign
     */
    public function __construct(public string $text, public string $by, public ?string $at, public string $share, public bool $worse)
    {
    }
}
