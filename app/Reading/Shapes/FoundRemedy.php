<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A remedy, and what it costs others: what is compared first stands first. */
final readonly class FoundRemedy
{
    /**
     * @param  list<int>  $cost
     */
    public function __construct(
        public RemedyRow $row,
        public array $cost,
    ) {
    }
}
