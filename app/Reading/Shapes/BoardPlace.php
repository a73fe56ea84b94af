<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What comes of putting an operation somewhere. */
final readonly class BoardPlace
{
    /**
     * @param  int|null  $end  where it would end; null where it cannot stand there
     * @param  string|null  $trouble  why it cannot
     * @param  list<string>  $over  what would have to give way, in words
     */
    public function __construct(public ?int $end, public ?string $trouble, public array $over)
    {
    }
}
