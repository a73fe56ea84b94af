<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\SupplyKind;

/** A supply or demand in date order. `kind` is stock, order, proposal, or the kind of demand. */
final readonly class FlowRow
{
    public function __construct(
        public string $date,
        public SupplyKind|DemandKind $kind,
        public Link $what,
        public string $note,
        public int $lateDays,
        public string $qty,
        public string $balance,
        public BalanceMark $mark,
    ) {
    }
}
