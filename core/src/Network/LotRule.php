<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\Fault;

/** How a net requirement becomes proposals (section 5). Whoever depends on the rule matches every case. */
enum LotRule: string
{
    case LotForLot = 'lot_for_lot';
    case PerOrder = 'per_order';
    case Fixed = 'fixed';
    case MinMax = 'min_max';

    /** @return list<Fault> what the rule misses in the planning data */
    public function faults(Planning $planning): array
    {
        return match ($this) {
            self::LotForLot, self::PerOrder => [],
            self::Fixed => ($planning->fixedQty ?? 0) > 0 ? [] : [Fault::of('fixed_without_qty', [], 'fixedQty')],
            self::MinMax => $planning->stockMax !== null && $planning->stockMax >= ($planning->stockMin ?? 0)
                ? []
                : [Fault::of('max_below_min', [], 'stockMax')],
        };
    }

    /** What the sweep keeps on stock, in millionths. */
    public function floor(Planning $planning, int $safetyStock): int
    {
        return match ($this) {
            self::LotForLot, self::PerOrder, self::Fixed => $safetyStock,
            self::MinMax => $planning->stockMin ?? 0,
        };
    }

    /** What a proposal fills up to, in millionths. */
    public function target(Planning $planning, int $safetyStock): int
    {
        return match ($this) {
            self::LotForLot, self::PerOrder, self::Fixed => $safetyStock,
            self::MinMax => $planning->stockMax ?? 0,
        };
    }

    /** Whether the demands of a date are taken one by one, each with a proposal of its own. */
    public function isPerDemand(): bool
    {
        return match ($this) {
            self::PerOrder => true,
            self::LotForLot, self::Fixed, self::MinMax => false,
        };
    }

    /** Over how many calendar days the needs are taken together. */
    public function groupDays(Planning $planning): int
    {
        return match ($this) {
            self::LotForLot => $planning->groupDays,
            self::PerOrder, self::Fixed, self::MinMax => 1,
        };
    }

    /** The size that all lots have, in millionths; null where least quantity, multiple and most quantity tell. */
    public function lotSize(Planning $planning): ?int
    {
        return match ($this) {
            self::Fixed => $planning->fixedQty,
            self::LotForLot, self::PerOrder, self::MinMax => null,
        };
    }
}
