<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Something that was written between two plans, and what it did to their figures. */
final readonly class WhyChange
{
    /**
     * @param  string  $by  who did it; empty where nobody did
     * @param  string|null  $at  ISO date and time
     * @param  list<WhyShare>  $shares
     */
    public function __construct(public string $text, public string $by, public ?string $at, public array $shares)
    {
    }
}
