<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Proposals under one heading: those at hand, and the number and value of all of them. */
final readonly class ProposalGroup
{
    /**
     * @param  list<ProposalRow>  $rows
     */
    public function __construct(
        public string $key,
        public string $title,
        public string $note,
        public ?string $value,
        public string $currency,
        public int $count,
        public array $rows,
    ) {
    }
}
