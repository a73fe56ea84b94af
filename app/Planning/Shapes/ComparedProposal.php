<?php

declare(strict_types=1);

namespace App\Planning\Shapes;

/** A proposal in two plans. */
final readonly class ComparedProposal
{
    public function __construct(
        public string $kind,
        public string $item,
        public string $name,
        public string $site,
        public string $unit,
        public string $supply,
        public ?ComparedSupply $before,
        public ?ComparedSupply $after,
    ) {
    }
}
