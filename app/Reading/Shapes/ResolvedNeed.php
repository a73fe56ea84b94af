<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A need of a list with the remedy that is proposed, or the one before after which it needs none; `inTime` where it needed none. */
final readonly class ResolvedNeed
{
    public function __construct(
        public string $identity,
        public string $item,
        public ?RemedyRow $remedy,
        public ?string $solvedBy,
        public bool $inTime,
    ) {
    }
}
