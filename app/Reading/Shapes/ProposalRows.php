<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Proposals from a place of their list on, under headings that count all of theirs; and how many there are in all. */
final readonly class ProposalRows
{
    /**
     * @param  list<ProposalGroup>  $groups
     */
    public function __construct(
        public array $groups,
        public int $total,
    ) {
    }
}
