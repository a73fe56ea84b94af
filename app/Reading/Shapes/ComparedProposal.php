<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Comparison\DifferenceKind;
use Yposta\Core\Network\OrderKind;

/** A proposal in two plans. */
final readonly class ComparedProposal
{
    public function __construct(
        public DifferenceKind $kind,
        public string $item,
        public string $name,
        public string $site,
        public string $unit,
        public OrderKind $supply,
        public ?ComparedSupply $before,
        public ?ComparedSupply $after,
    ) {
    }
}
