<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A proposal in the inspector. */
final readonly class ProposalDetail
{
    /**
     * @param  list<WayChoice>  $ways  the one that is planned first
     * @param  list<MessageRow>  $messages
     * @param  string|null  $givenBack  why purchasing gave it back
     * @param  string|null  $need  what it serves first, by which ways out of it are asked for; null where that is nobody's
     * @param  string|null  $putOff  until when it rests, or rested, and why
     */
    public function __construct(
        public ProposalRow $row,
        public Explanation $answer,
        public array $ways,
        public array $messages,
        public ?string $need,
        public ?string $givenBack,
        public ?string $putOff,
        public bool $isResting,
    ) {
    }
}
