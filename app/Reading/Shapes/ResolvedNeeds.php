<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A remedy for each need of a list, one on top of the other. */
final readonly class ResolvedNeeds
{
    /**
     * @param  list<ResolvedNeed>  $proposals
     */
    public function __construct(
        public array $proposals,
    ) {
    }
}
