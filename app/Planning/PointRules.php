<?php

declare(strict_types=1);

namespace App\Planning;

use Yposta\Core\Structure\Point;

/** The rules by which a run planned a point, kept with its result so that its numbers can be explained when the rules have changed. Quantities in millionths. */
final readonly class PointRules
{
    public function __construct(
        public int $lead,
        public string $lotRule,
        public int $groupDays,
        public int $minQty,
        public int $multiple,
        public int $maxQty,
        public int $fixedQty,
        public int $stockMax,
        public int $safetyStock,
        public int $safetyDays,
        public int $floor,
        public ?string $fromSite,
        public int $frozenDays,
    ) {
    }

    public static function of(Point $point): self
    {
        $planning = $point->planning;

        return new self(
            $point->lead, $planning->lotRule->value, $planning->groupDays, $point->minQty, $point->multiple, $point->maxQty, (int) $planning->fixedQty,
            (int) $planning->stockMax, $point->safetyStock, $planning->safetyDays, $point->floor(), $planning->fromSite, $planning->frozenDays,
        );
    }

    public static function fromJson(string $json): self
    {
        return new self(...(array) json_decode($json, true, 8, JSON_THROW_ON_ERROR));
    }
}
