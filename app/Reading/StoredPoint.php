<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\PointRules;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Supply;

/** A planning point of a stored plan, with what moves at it when that was asked for. */
final class StoredPoint
{
    /** @var list<Supply> */
    public array $supplies = [];

    /** @var list<Demand> */
    public array $demands = [];

    public function __construct(
        public readonly int $n,
        public readonly string $item,
        public readonly string $site,
        public readonly string $name,
        public readonly string $unit,
        public readonly int $decimals,
        public readonly int $unitCost,
        public readonly int $level,
        public readonly OrderKind $supply,
        public readonly ?string $supplier,
        public readonly PointRules $rules,
        public readonly ?string $troubleFrom,
        public readonly ?string $shortFrom,
    ) {
    }
}
