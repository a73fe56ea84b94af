<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * How one item is planned at one site (a row of `planning.csv`). Quantities in millionths, `leadDays` and `safetyDays` in working days,
 * `groupDays` and `frozenDays` in calendar days. `leadDays` is null when it was left empty.
 */
final readonly class Planning
{
    use Changeable;

    public function __construct(
        public string $item,
        public string $site,
        public OrderKind $supply,
        public ?int $leadDays,
        public ?string $supplier,
        public ?string $fromSite,
        public int $safetyStock,
        public int $safetyDays,
        public LotRule $lotRule,
        public int $groupDays,
        public ?int $fixedQty,
        public ?int $stockMin,
        public ?int $stockMax,
        public ?int $minQty,
        public ?int $multiple,
        public ?int $maxQty,
        public int $frozenDays,
    ) {
    }

    /** What holds for a point that has no row of its own: bought, all defaults. */
    public static function defaults(string $item, string $site): self
    {
        return new self($item, $site, OrderKind::Buy, null, null, null, 0, 0, LotRule::LotForLot, 1, null, null, null, null, null, null, 0);
    }

    /** The same point, bought from a supplier whatever it is planned as. */
    public function boughtFrom(string $supplier): self
    {
        return $this->with(supply: OrderKind::Buy, supplier: $supplier, fromSite: null);
    }
}
